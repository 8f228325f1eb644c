import type { Model } from '@seriatim/core'

/** `1–4, 7, Brann Oke`: models that are called by their unit and a number go by the number, runs of them as a run. */
export function modelRunText(models: readonly Pick<Model, 'name'>[], unitName: string): string {
  const parts: { readonly from: number | string; to: number | string }[] = []
  for (const { name } of models) {
    const number = name.startsWith(`${unitName} `) ? Number(name.slice(unitName.length + 1)) : Number.NaN
    const said = Number.isSafeInteger(number) ? number : name
    const last = parts.at(-1)
    if (typeof said === 'number' && last && last.to === said - 1) last.to = said
    else parts.push({ from: said, to: said })
  }
  return parts
    .map(({ from, to }) => (from === to ? String(from) : `${String(from)}–${String(to)}`))
    .join(', ')
}
