import { fieldErrors, recipeFileSchema, type RecipeFile } from '@seriatim/contract'
import { useState } from 'react'
import { TextField } from '../../shared/ui/index.ts'

const mostErrors = 4

/** Reads a recipe out of a file, and names every fault at its place. */
export function BringRecipe({ onBring }: { readonly onBring: (file: RecipeFile) => void }) {
  const [faults, setFaults] = useState<readonly string[]>([])
  const read = async (picked: File | undefined) => {
    setFaults([])
    if (!picked) return
    let json: unknown
    try {
      json = JSON.parse(await picked.text())
    } catch {
      setFaults([`${picked.name} is not JSON.`])
      return
    }
    const parsed = recipeFileSchema.safeParse(json)
    if (parsed.success) onBring(parsed.data)
    else
      setFaults(
        fieldErrors(parsed.error.issues).map((each) => `${each.path || picked.name}: ${each.message}`),
      )
  }
  return (
    <TextField
      label="Or bring a recipe out of a file"
      type="file"
      accept=".json,application/json"
      error={faults.length > 0 ? faults.slice(0, mostErrors).join(' ') : undefined}
      onChange={(event) => void read(event.target.files?.[0])}
    />
  )
}
