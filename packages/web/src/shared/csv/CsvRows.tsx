import { clsx } from 'clsx'
import type { ReactNode } from 'react'
import { ScrollRegion } from '../ui/index.ts'
import type { Mapping, ReadRow } from './csv-reader.ts'

interface CsvRowsProps {
  readonly rows: readonly ReadRow<unknown>[]
  readonly mapping: Mapping
  /** Lines that were mended here: they stay open, good or not, until they are taken. */
  readonly mended: ReadonlyMap<number, unknown>
  readonly onMend: (line: number, cells: readonly string[]) => void
}

const mostFaulty = 50
const mostGood = 12

/** Row by row what a file says: those with a fault first, their cells to be mended; of the good ones the first. */
export function CsvRows({ rows, mapping, mended, onMend }: CsvRowsProps) {
  const isOpen = (row: ReadRow<unknown>) => row.value === null || mended.has(row.line)
  const faulty = rows.filter(isOpen)
  const good = rows.filter((row) => !isOpen(row))
  const places = mapping.flatMap((column, at) => (column === null ? [] : [{ column, at }]))
  return (
    <ScrollRegion label="Rows of the file">
      <table className="w-full text-left text-sm">
        <thead>
          <tr className="text-ink-soft">
            <th scope="col" className="py-1 pr-3">
              Line
            </th>
            {places.map(({ column }) => (
              <th key={column} scope="col" className="pr-3">
                {column}
              </th>
            ))}
            <th scope="col">
              <span className="sr-only">State</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {faulty.slice(0, mostFaulty).map((row) => (
            <OpenRow key={row.line} row={row} places={places} columns={mapping.length} onMend={onMend} />
          ))}
          {faulty.length > mostFaulty ? (
            <More columns={places.length}>
              … and {faulty.length - mostFaulty} more that have to be mended
            </More>
          ) : null}
          {good.slice(0, mostGood).map((row) => (
            <tr key={row.line} className="border-t border-paper-edge">
              <th scope="row" className="figures py-1.5 pr-3 font-normal text-ink-soft">
                {row.line}
              </th>
              {places.map(({ column, at }) => (
                <td key={column} className="pr-3">
                  {row.cells[at] ?? ''}
                </td>
              ))}
              <td className="text-done">good</td>
            </tr>
          ))}
          {good.length > mostGood ? (
            <More columns={places.length}>… and {good.length - mostGood} more good ones</More>
          ) : null}
        </tbody>
      </table>
    </ScrollRegion>
  )
}

interface OpenRowProps {
  readonly row: ReadRow<unknown>
  readonly places: readonly { readonly column: string; readonly at: number }[]
  readonly columns: number
  readonly onMend: CsvRowsProps['onMend']
}

/** A row with its cells to be mended, and under it what is wrong with them, in sight however far the row is scrolled. */
function OpenRow({ row, places, columns, onMend }: OpenRowProps) {
  return (
    <>
      <tr className="border-t border-paper-edge align-top">
        <th scope="row" className="figures py-2 pr-3 text-hands">
          {row.line}
        </th>
        {places.map(({ column, at }) => {
          const isWrong = row.faults.some((fault) => fault.column === column)
          return (
            <td key={column} className="py-1 pr-2">
              <input
                aria-label={`Line ${String(row.line)}: ${column}`}
                aria-invalid={isWrong}
                aria-describedby={row.value === null ? `faults-${String(row.line)}` : undefined}
                className={clsx(
                  'figures min-h-9 w-full min-w-24 rounded-[3px] border-2 bg-paper px-1.5',
                  isWrong ? 'border-hands' : 'border-paper-edge',
                )}
                value={row.cells[at] ?? ''}
                onChange={(event) => onMend(row.line, withCell(row.cells, columns, at, event.target.value))}
              />
            </td>
          )
        })}
        <td className="w-12 py-2 text-done">{row.value === null ? null : 'good'}</td>
      </tr>
      {row.value === null ? (
        <tr>
          <td colSpan={places.length + 2} className="pb-2">
            <div
              id={`faults-${String(row.line)}`}
              className="sticky left-0 max-w-[min(54rem,calc(96vw-4rem))] font-bold text-hands"
            >
              {row.faults.map(({ column, message }) => (
                <p key={`${column} ${message}`}>{message}</p>
              ))}
            </div>
          </td>
        </tr>
      ) : null}
    </>
  )
}

function More({ columns, children }: { readonly columns: number; readonly children: ReactNode }) {
  return (
    <tr className="border-t border-paper-edge">
      <td colSpan={columns + 2} className="py-1.5 text-ink-soft">
        {children}
      </td>
    </tr>
  )
}

/** As many cells as there are columns: what was beyond them has been seen. */
function withCell(cells: readonly string[], columns: number, at: number, text: string): readonly string[] {
  return Array.from({ length: columns }, (_, index) => (index === at ? text : (cells[index] ?? '')))
}
