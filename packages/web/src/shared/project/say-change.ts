import { toast } from 'sonner'

/** The one toast about changes; a number that grows. */
let lastChange = 0

/**
 * Says what was done in place of what was said before; an empty text says nothing. A toast that is on its way out
 * gives its id up: the library takes it off by its id a moment later, and a newer one of that id would go with it.
 */
export function sayChange(said: string, undo: (() => void) | null): void {
  const id = lastChange
  const giveUp = () => {
    if (lastChange === id) lastChange += 1
  }
  if (said === '') {
    toast.dismiss(id)
    giveUp()
    return
  }
  const takeBack = () => {
    giveUp()
    undo?.()
  }
  toast(said, {
    id,
    onDismiss: giveUp,
    onAutoClose: giveUp,
    ...(undo ? { action: { label: 'Undo', onClick: takeBack } } : {}),
  })
}
