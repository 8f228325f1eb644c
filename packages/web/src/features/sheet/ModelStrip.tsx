import type { ModelStanding } from '@seriatim/core/sheet'
import type { Stage } from '@seriatim/core/trade'
import type { Instant, StageId } from '@seriatim/core/units'
import { clsx } from 'clsx'
import { memo } from 'react'
import { plural } from '../../shared/format/index.ts'
import { placeProps, type Place } from '../../shared/strips/index.ts'
import { holeText, PunchStrip } from '../../shared/ui/index.ts'

interface ModelStripProps {
  readonly standing: ModelStanding
  readonly line: readonly Stage[]
  readonly places: readonly number[]
  /** Where something dries; a strip without that does not change with time. */
  readonly now: Instant | null
  readonly hole: number
  readonly width: number
  readonly height: number
  readonly lit: StageId | undefined
  readonly row: number
  readonly column: number
  readonly isFocus: boolean
  readonly isChosen: boolean
  readonly onClickWithoutPointer: (place: Place) => void
}

/** The strip of one model; drawn anew only when something of it changed. */
export const ModelStrip = memo(function ModelStrip({
  standing,
  line,
  places,
  now,
  hole,
  width,
  height,
  lit,
  row,
  column,
  isFocus,
  isChosen,
  onClickWithoutPointer,
}: ModelStripProps) {
  const label = labelOf(standing, line)
  // After the last hole before the line's stop line, which may be a stage that nobody here takes.
  const stop = line.findIndex((stage) => stage.tableReady)
  const stopPlace = places.findLast((place) => place <= stop)
  const holes = places.flatMap((place) => {
    const [stage, state] = [line[place], standing.holes[place]]
    return stage && state ? [{ id: stage.id, state, stopLine: place === stopPlace }] : []
  })
  return (
    <span
      {...placeProps({ row, column }, { label, isFocus, isChosen, onClickWithoutPointer })}
      style={{ width, height }}
      className={clsx(
        'flex shrink-0 scroll-my-16 cursor-pointer touch-pan-y items-center border bg-paper px-1.5 select-none',
        standing.inspection && 'border-b-4',
        isChosen || standing.holes.some((hole) => hole.kind === 'in-hand')
          ? 'border-hands outline-1 outline-hands'
          : standing.touchUps > 0
            ? 'border-touch-up'
            : standing.isTableReady
              ? 'border-done'
              : 'border-paper-edge',
      )}
    >
      <PunchStrip holes={holes} now={now ?? noTime} size={hole} lit={lit} />
    </span>
  )
})

const noTime = 0 as Instant

/** A strip in words. */
function labelOf(
  { model, unit, done, of, holes, isTableReady, inspection }: ModelStanding,
  line: readonly Stage[],
): string {
  const at = (kind: string) =>
    line.flatMap((stage, place) => {
      const hole = holes[place]
      return hole?.kind === kind ? [`${stage.name} ${holeText(hole)}`] : []
    })
  const more = [...at('in-hand'), ...at('drying'), ...at('touch-up')]
  const name = model.name === unit.name ? model.name : `${model.name}, ${unit.name}`
  return [
    `${name}: ${String(done)} of ${plural(of, 'stage')} done${isTableReady ? ', table-ready' : ''}`,
    ...more,
    ...(inspection ? [inspection.verdict === 'passed' ? 'inspected' : `left so: ${inspection.note}`] : []),
  ].join('; ')
}
