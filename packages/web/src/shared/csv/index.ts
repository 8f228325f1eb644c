export { linesOfCsv, writeCsv } from './lines-of-csv.ts'
export { decimalOf, readCsv, type CsvCell, type CsvReader } from './csv-reader.ts'
export { BringCsvDialog } from './BringCsvDialog.tsx'
export { saveText } from './save-text.ts'
