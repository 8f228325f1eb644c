import type { Shelf } from '@seriatim/core/recipe'
import { useId, type ComponentProps } from 'react'
import { TextField } from './ui/index.ts'

interface MixFieldProps extends Omit<ComponentProps<typeof TextField>, 'list'> {
  /** `undefined` while it is on its way. */
  readonly shelf: Shelf | undefined
}

/** A mix typed with the names of the shelf, which are offered while typing. */
export function MixField({ shelf, ...field }: MixFieldProps) {
  const listId = useId()
  return (
    <>
      <TextField {...field} list={listId} />
      <datalist id={listId}>
        {[...(shelf?.values() ?? [])].map((material) => (
          <option key={material.id} value={material.name} />
        ))}
      </datalist>
    </>
  )
}
