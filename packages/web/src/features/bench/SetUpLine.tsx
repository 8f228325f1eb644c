import { deskTools, type SetUpCard } from '@seriatim/core/bench'
import type { ReactNode } from 'react'
import { plural } from '../../shared/format/index.ts'

/** What to get ready before the first model: the pot, the mix for all of them, the brush, and what the pilot said. */
export function SetUpLine({ card, models }: { readonly card: SetUpCard; readonly models: number }) {
  const { before, mix, tool, said } = card
  const measured = mix && mix.lines.length > 0 ? mix.lines : null
  if (!before && !measured && !tool) return null
  return (
    <dl className="mt-3 grid gap-x-6 gap-y-1 grid-cols-[auto_1fr]" aria-label="Set up">
      {before ? <Row name="Pot">{before}</Row> : null}
      {measured ? (
        <Row name={measured.length > 1 ? 'Mix' : 'Palette'}>
          {measured.map(({ material, drops, enough }, index) => (
            <span key={material.id}>
              {index === 0 ? '' : ' + '}
              <b>{plural(drops, 'drop')}</b> {material.name}
              {enough ? '' : ' (not enough on the shelf)'}
            </span>
          ))}
          , for {plural(models, 'model')}
        </Row>
      ) : null}
      {tool ? <Row name="Take">{deskTools[tool]}</Row> : null}
      {said && said.note !== '' ? <Row name="Pilot">“{said.note}”</Row> : null}
    </dl>
  )
}

function Row({ name, children }: { readonly name: string; readonly children: ReactNode }) {
  return (
    <div className="contents">
      <dt className="text-sm font-bold text-ink-soft pt-0.5">{name}</dt>
      <dd>{children}</dd>
    </div>
  )
}
