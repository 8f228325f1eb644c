import { useMemo, useState, type ReactNode } from 'react'
import { plural } from '../format/index.ts'
import { Button, CheckField, Dialog, SelectField, TextAreaField, TextField } from '../ui/index.ts'
import { CsvRows } from './CsvRows.tsx'
import {
  readTable,
  tableOf,
  usualMapping,
  type CsvReader,
  type CsvTable,
  type Mapping,
} from './csv-reader.ts'

export interface BringCsvDialogProps<T, Column extends string> {
  readonly open: boolean
  readonly onOpenChange: (open: boolean) => void
  readonly title: string
  readonly description: string
  readonly placeholder: string
  readonly reader: CsvReader<T, Column>
  /** One row, two rows. */
  readonly what: readonly [one: string, many: string]
  /** What the good ones come to. */
  readonly summary?: (values: readonly T[]) => string
  /** Takes good rows in one piece. */
  readonly onTake: (values: readonly T[]) => void
  /** What else is asked. */
  readonly children?: ReactNode
}

/** A text as it was given, and what was changed here of how it is read. */
interface Given {
  readonly text: string
  readonly hasHeading: boolean | null
  readonly mapping: Mapping | null
  /** Cells mended here, by line. */
  readonly mended: ReadonlyMap<number, readonly string[]>
  /** Lines that are through. */
  readonly taken: ReadonlySet<number>
}

const nothing: Given = {
  text: '',
  hasHeading: null,
  mapping: null,
  mended: new Map(),
  taken: new Set(),
}

/**
 * Rows from a CSV file or from pasted text. Which column is which can be said here; every row is looked at by itself, so
 * good ones are taken while faulty ones stay to be mended in their cells.
 */
export function BringCsvDialog<T, Column extends string>({
  open,
  onOpenChange,
  title,
  description,
  placeholder,
  reader,
  what,
  summary,
  onTake,
  children,
}: BringCsvDialogProps<T, Column>) {
  const [given, setGiven] = useState(nothing)
  const { text, hasHeading } = given
  const table = useMemo(() => tableOf(text, reader, hasHeading), [text, reader, hasHeading])
  const usual = useMemo(() => usualMapping(table, reader), [table, reader])
  const mapping = given.mapping ?? usual
  const read = useMemo(() => {
    const lines = table.lines
      .filter(({ line }) => !given.taken.has(line))
      .map((each) => ({ line: each.line, cells: given.mended.get(each.line) ?? each.cells }))
    return readTable({ lines }, mapping, reader)
  }, [table, mapping, given, reader])
  const good = read.rows.filter((row) => row.value !== null)
  const faulty = read.rows.length - good.length
  const isEmpty = text.trim() === ''
  const values = good.flatMap(({ value }) => (value === null ? [] : [value]))

  const take = () => {
    onTake(values)
    if (faulty > 0) setGiven({ ...given, taken: new Set([...given.taken, ...good.map(({ line }) => line)]) })
    else close()
  }
  const close = () => {
    setGiven(nothing)
    onOpenChange(false)
  }
  const counted = (count: number) => `${String(count)} ${count === 1 ? what[0] : what[1]}`

  return (
    <Dialog
      open={open}
      onOpenChange={(stays) => (stays ? onOpenChange(true) : close())}
      title={title}
      description={description}
      wide={!isEmpty}
    >
      <div className="grid gap-4">
        <TextField
          label="CSV file"
          type="file"
          accept=".csv,text/csv,text/plain"
          onChange={(event) => {
            const file = event.target.files?.[0]
            if (file) void file.text().then((text) => setGiven({ ...nothing, text }))
          }}
        />
        {given.taken.size > 0 ? null : (
          <TextAreaField
            label="Or paste it here"
            className="figures"
            rows={isEmpty ? 6 : 3}
            placeholder={placeholder}
            value={given.text}
            onChange={(event) => setGiven({ ...nothing, text: event.target.value })}
          />
        )}
        {children}
        {isEmpty ? null : (
          <>
            <Columns
              table={table}
              mapping={mapping}
              reader={reader}
              onHeading={(hasHeading) => setGiven({ ...nothing, text: given.text, hasHeading })}
              onMapping={(next) => setGiven({ ...given, mapping: next })}
            />
            {read.faults.map(({ message }) => (
              <p key={message} role="alert" className="border-l-4 border-l-hands pl-3">
                {message}
              </p>
            ))}
            {read.rows.length > 0 ? (
              <CsvRows
                rows={read.rows}
                mapping={mapping}
                mended={given.mended}
                onMend={(line, cells) =>
                  setGiven({ ...given, mended: new Map([...given.mended, [line, cells]]) })
                }
              />
            ) : null}
          </>
        )}
        <div className="flex flex-wrap items-center gap-3">
          <Button weight="main" disabled={good.length === 0} onClick={take}>
            {good.length === 0 ? `Take the ${what[1]}` : `Take ${counted(good.length)}`}
          </Button>
          <p role="status">
            {[
              good.length > 0 ? (summary?.(values) ?? '') : '',
              given.taken.size > 0 ? `${counted(given.taken.size)} taken.` : '',
              faulty > 0
                ? `${plural(faulty, 'row')} to be mended ${faulty === 1 ? 'stays' : 'stay'} here.`
                : '',
            ]
              .filter((each) => each !== '')
              .join(' ')}
          </p>
        </div>
      </div>
    </Dialog>
  )
}

interface ColumnsProps {
  readonly table: CsvTable
  readonly mapping: Mapping
  readonly reader: Pick<CsvReader<unknown>, 'columns' | 'needed' | 'usualOrder'>
  readonly onHeading: (hasHeading: boolean) => void
  readonly onMapping: (mapping: Mapping) => void
}

/** Which column of the file is which of ours. */
function Columns({ table, mapping, reader, onHeading, onMapping }: ColumnsProps) {
  const isKnown = mapping.every((column) => column !== null)
  const nameOf = (at: number) => table.heading[at] || `column ${String(at + 1)}`
  const options = [
    { value: '', text: 'left out' },
    ...reader.columns.map((column) => ({ value: column, text: column })),
  ]
  const choose = (at: number, column: string) =>
    onMapping(mapping.map((each, index) => (index === at ? column || null : each === column ? null : each)))
  return (
    <details open={!isKnown || undefined}>
      <summary className="min-h-11 cursor-pointer py-2 font-bold">Which column is which</summary>
      {reader.usualOrder === null ? null : (
        <CheckField
          label="The first line names the columns"
          checked={table.heading.length > 0}
          onChange={(event) => onHeading(event.target.checked)}
        />
      )}
      <div className="mt-1 grid grid-cols-[repeat(auto-fill,minmax(9rem,1fr))] gap-3">
        {mapping.map((column, at) => (
          <SelectField
            key={at}
            label={`“${nameOf(at)}” is`}
            options={options}
            value={column ?? ''}
            onChange={(event) => choose(at, event.target.value)}
          />
        ))}
      </div>
    </details>
  )
}
