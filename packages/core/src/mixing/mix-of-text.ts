import type { Material, Mix } from '../trade/index.ts'
import type { Shelf } from '../recipe/index.ts'
import { failure, type Result, success } from '../units/index.ts'
import { parseMix, printMix } from './parse-mix.ts'

/**
 * A mix typed with the names of the shelf, or the question to answer first. An empty text is no material; what is left
 * unnamed beside one name is the `paint` that was there before (`3:1 medium`). Medium alone is no paint.
 */
export function mixOfText(text: string, shelf: Shelf, paint: Material | null = null): Result<Mix, string> {
  if (text.trim() === '') return success([])
  const whole = findByName(text.trim(), shelf)
  if (whole) return success([{ materialId: whole.id, parts: 1 }])
  const parsed = parseMix(text)
  const unnamed = parsed.parts.filter((part) => part.name === null).length
  const fillsIn = paint && unnamed === 1 && parsed.parts.length === 2
  const parts = fillsIn
    ? parsed.parts.map((part) => ({ ...part, name: part.name ?? paint.name.toLowerCase() }))
    : parsed.parts
  const question = parsed.questions.find((each) => !(fillsIn && each.kind === 'which paint'))
  if (question) return failure(question.text)
  const mix: { materialId: Material['id']; parts: number }[] = []
  for (const { amount, name } of parts) {
    const material = findByName(name ?? '', shelf)
    if (!material) {
      const near = alike(name ?? '', shelf)
      const which = near.length > 1 ? ` Is it ${near.slice(0, 3).join(', or ')}?` : ''
      return failure(`“${name ?? ''}” is not on the shelf.${which}`)
    }
    mix.push({ materialId: material.id, parts: amount })
  }
  if (mix.length > 1 && mix.every(({ materialId }) => isThin(shelf.get(materialId))))
    return failure('Medium and water alone are no paint: say what they thin.')
  return success(mix)
}

function isThin(material: Material | undefined): boolean {
  return material?.kind === 'medium' || material?.kind === 'thinner'
}

function alike(name: string, shelf: Shelf): readonly string[] {
  const wanted = name.toLowerCase()
  return wanted === ''
    ? []
    : [...shelf.values()].map((each) => each.name).filter((each) => each.toLowerCase().includes(wanted))
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

/** By its name, or by the only name that begins so, or the only one that has it in it. */
function findByName(name: string, shelf: Shelf): Material | null {
  const wanted = name.toLowerCase()
  if (wanted === '') return null
  const all = [...shelf.values()]
  const exact = all.find((material) => material.name.toLowerCase() === wanted)
  if (exact) return exact
  const beginning = all.filter((material) => material.name.toLowerCase().startsWith(wanted))
  if (beginning.length === 1) return beginning[0] ?? null
  const within = all.filter((material) => material.name.toLowerCase().split(/\W+/).includes(wanted))
  return beginning.length === 0 && within.length === 1 ? (within[0] ?? null) : null
}
