import type { Step } from '../trade/index.ts'

/**
 * The steps as they are now with the ids of those they were before: what stayed the same keeps its own, and so does what
 * is the same pot by the same technique. So what was painted by a step stays painted by it.
 */
export function keepIds(now: readonly Step[], before: readonly Step[]): readonly Step[] {
  const left = [...before]
  const taken = (isSame: (old: Step) => boolean): Step | undefined => {
    const place = left.findIndex(isSame)
    return place < 0 ? undefined : left.splice(place, 1)[0]
  }
  const content = ({ id: _, ...step }: Step) => JSON.stringify(Object.entries(step).sort(byName))
  const pot = ({ mix, technique }: Step) => JSON.stringify([mix, technique])
  const same = now.map((step) => taken((old) => content(old) === content(step)))
  return now.map((step, index) => {
    const own = same[index] ?? taken((old) => pot(old) === pot(step))
    return own ? { ...step, id: own.id } : step
  })
}

const byName = ([a]: [string, unknown], [b]: [string, unknown]): number => (a < b ? -1 : a > b ? 1 : 0)
