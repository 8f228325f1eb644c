import { deskTools, type SetUpCard } from '@seriatim/core/bench'
import type { ReactNode } from 'react'
import { plural } from '../../shared/format/index.ts'
import type { ToldLesson } from '../../shared/lessons.tsx'

interface SetUpLineProps {
  readonly card: SetUpCard
  readonly models: number
  /** What was noted of the pot in other projects. */
  readonly again: readonly Required<ToldLesson>[]
}

const toldAgain = 2

/** What to get ready before the first model: the pot, the mix for all of them, the brush, and what was said of it before. */
export function SetUpLine({ card, models, again }: SetUpLineProps) {
  const { before, mix, tool, said } = card
  const measured = mix && mix.lines.length > 0 ? mix.lines : null
  if (!before && !measured && !tool && again.length === 0) return null
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
      {again.slice(0, toldAgain).map(({ project, kind, text }) => (
        <Row key={`${project} ${kind} ${text}`} name="Noted before">
          {kind === 'used' ? `other paint: ${text}` : `“${text}”`}
          <span className="text-sm text-ink-soft"> {project}</span>
        </Row>
      ))}
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
