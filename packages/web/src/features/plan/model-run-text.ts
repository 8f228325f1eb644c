import type { Model } from '@seriatim/core/trade'

interface Run {
  /** What its names have before the number; `null` for a name that has none. */
  readonly stem: string | null
  readonly from: string
  to: string
}

/**
 * `1–4, 7, Brann Oke`: models in a row that differ by their number alone are told as a run; where the number comes behind
 * the unit's own name, the name is left out.
 */
export function modelRunText(models: readonly Pick<Model, 'name'>[], unitName: string): string {
  const runs: Run[] = []
  for (const { name } of models) {
    const [, stem = null, number = name] = /^(.*\D)(\d+)$/.exec(name) ?? []
    const last = runs.at(-1)
    if (stem !== null && last?.stem === stem && Number(last.to) === Number(number) - 1) last.to = number
    else runs.push({ stem, from: number, to: number })
  }
  return runs
    .map(({ stem, from, to }, index) => {
      const isSaid = stem === null || stem.trim() === unitName || runs[index - 1]?.stem === stem
      return `${isSaid ? '' : stem}${from === to ? from : `${from}–${to}`}`
    })
    .join(', ')
}
