import type { CsvFault } from './read-csv.ts'

const most = 12

/** What is wrong with a file, each fault at its line and column; nothing of it was taken. */
export function CsvFaults({
  faults,
  title,
}: {
  readonly faults: readonly CsvFault[]
  readonly title: string
}) {
  if (faults.length === 0) return null
  return (
    <div role="alert" className="ticket mb-4 border-l-8 border-l-hands p-4">
      <p className="font-bold">{title}</p>
      <ul>
        {faults.slice(0, most).map((fault) => (
          <li key={`${String(fault.line)} ${fault.column} ${fault.message}`}>
            Line {fault.line}
            {fault.column === '' ? '' : `, ${fault.column}`}: {fault.message}
          </li>
        ))}
      </ul>
      {faults.length > most ? <p>… and {faults.length - most} more.</p> : null}
    </div>
  )
}
