import { useState } from 'react'
import { TextField } from './field.tsx'

interface CommitFieldProps {
  readonly label: string
  readonly value: string
  readonly hint?: string
  readonly type?: string
  readonly className?: string
  /** What is wrong with the text, or `null`. */
  readonly check: (text: string) => string | null
  readonly onCommit: (text: string) => void
}

/** A field that writes when it is left; what is wrong stays in view and is not written. */
export function CommitField({ label, value, hint, type, className, check, onCommit }: CommitFieldProps) {
  const [text, setText] = useState(value)
  const [known, setKnown] = useState(value)
  if (known !== value) {
    setKnown(value)
    setText(value)
  }
  const fault = check(text)
  return (
    <TextField
      label={label}
      value={text}
      onChange={(event) => setText(event.target.value)}
      onBlur={() => {
        if (fault === null && text !== value) onCommit(text)
      }}
      onKeyDown={(event) => {
        if (event.key === 'Enter') event.currentTarget.blur()
      }}
      {...(type === undefined ? {} : { type })}
      {...(className === undefined ? {} : { className })}
      {...(hint === undefined ? {} : { hint })}
      {...(fault === null ? {} : { error: fault })}
    />
  )
}
