import { useState } from 'react'
import { CheckField } from '../../shared/ui/index.ts'

interface CommitCheckProps {
  readonly label: string
  readonly checked: boolean
  readonly onCommit: (checked: boolean) => void
}

/** A tick that shows at once, and follows what was written. */
export function CommitCheck({ label, checked, onCommit }: CommitCheckProps) {
  const [ticked, setTicked] = useState(checked)
  const [known, setKnown] = useState(checked)
  if (known !== checked) {
    setKnown(checked)
    setTicked(checked)
  }
  return (
    <CheckField
      label={label}
      checked={ticked}
      onChange={(event) => {
        setTicked(event.target.checked)
        onCommit(event.target.checked)
      }}
    />
  )
}
