export { decimalOf, readCsv, type CsvFault } from './read-csv.ts'
export { CsvButton } from './CsvButton.tsx'
export { CsvFaults } from './CsvFaults.tsx'
export { saveText } from './save-text.ts'
