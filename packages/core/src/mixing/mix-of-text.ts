import type { Material } from '../materials/material.ts'
import type { Mix } from '../recipe/recipe.ts'
import type { Shelf } from '../recipe/step-facts.ts'
import { failure, success, type Result } from '../units/result.ts'
import { parseMix, printMix } from './parse-mix.ts'

/** A mix typed with the names of the shelf, or the question to answer first. An empty text is no material. */
export function mixOfText(text: string, shelf: Shelf): Result<Mix, string> {
  if (text.trim() === '') return success([])
  const whole = findByName(text.trim(), shelf)
  if (whole) return success([{ materialId: whole.id, parts: 1 }])
  const { parts, questions } = parseMix(text)
  const [question] = questions
  if (question) return failure(question.text)
  const mix: { materialId: Material['id']; parts: number }[] = []
  for (const { amount, name } of parts) {
    const material = findByName(name ?? '', shelf)
    if (!material) return failure(`“${name ?? ''}” is not on the shelf.`)
    mix.push({ materialId: material.id, parts: amount })
  }
  return success(mix)
}

export function textOfMix(mix: Mix, shelf: Shelf): string {
  if (mix.length === 0) return ''
  const parts = mix.map(({ materialId, parts: amount }) => ({
    amount,
    name: shelf.get(materialId)?.name.toLowerCase() ?? 'unknown',
  }))
  const [only] = mix
  return mix.length === 1 && only ? (shelf.get(only.materialId)?.name ?? 'unknown') : printMix(parts)
}

/** By its name, or by the only name that begins so. */
function findByName(name: string, shelf: Shelf): Material | null {
  const wanted = name.toLowerCase()
  if (wanted === '') return null
  const all = [...shelf.values()]
  const exact = all.find((material) => material.name.toLowerCase() === wanted)
  if (exact) return exact
  const beginning = all.filter((material) => material.name.toLowerCase().startsWith(wanted))
  return beginning.length === 1 ? (beginning[0] ?? null) : null
}
