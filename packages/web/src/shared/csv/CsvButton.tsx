import { Upload } from 'lucide-react'
import { useRef } from 'react'
import { Button } from '../ui/index.ts'

/** Chooses a file and gives its text. */
export function CsvButton({
  label,
  onText,
}: {
  readonly label: string
  readonly onText: (text: string) => void
}) {
  const file = useRef<HTMLInputElement>(null)
  return (
    <>
      <Button onClick={() => file.current?.click()}>
        <Upload aria-hidden="true" size={18} /> {label}
      </Button>
      <input
        ref={file}
        type="file"
        accept=".csv,text/csv"
        aria-label={label}
        className="hidden"
        onChange={(event) => {
          const [chosen] = event.target.files ?? []
          if (chosen) void chosen.text().then(onText)
          event.target.value = ''
        }}
      />
    </>
  )
}
