import type { StageId } from '../units/ids.ts'
import type { Stage } from './stage.ts'

/** The shortest words that tell the stages of a line apart: the name, or the material where names repeat. */
export function stageLabels(
  line: readonly Pick<Stage, 'id' | 'name' | 'material'>[],
): ReadonlyMap<StageId, string> {
  const count = new Map<string, number>()
  for (const { name } of line) count.set(name, (count.get(name) ?? 0) + 1)
  return new Map(
    line.map(({ id, name, material }) => [
      id,
      (count.get(name) ?? 0) > 1 && material !== '' ? material : name,
    ]),
  )
}
