import { useState } from 'react'

/** What is typed into a field; it follows the value when that is changed elsewhere, as by an undo. */
export function useTextOf(given: string): readonly [text: string, setText: (text: string) => void] {
  const [text, setText] = useState(given)
  const [known, setKnown] = useState(given)
  if (given !== known) {
    setKnown(given)
    setText(given)
  }
  return [text, setText]
}
