import { deskTools, type SetUpCard } from '@seriatim/core/bench'
import { dryingWait, type Stage } from '@seriatim/core/trade'
import { durationText, plural } from '../../shared/format/index.ts'

interface StageOnPaper {
  readonly stage: Stage
  readonly card: SetUpCard
  /** Its place on the line, or of how many models it is. */
  readonly number: number
  readonly said: readonly string[]
}

interface StageTableProps {
  readonly stages: readonly StageOnPaper[]
  /** What the number before each says. */
  readonly numbers: 'places' | 'models'
  /** Over the drops. */
  readonly amounts: string
}

/** Stages as they are done: pot or mix in drops, tool, wait, and what was said. */
export function StageTable({ stages, numbers, amounts }: StageTableProps) {
  return (
    <table className="mt-2 w-full border-collapse text-left text-sm">
      <thead>
        <tr className="text-ink-soft">
          <th scope="col">Stage</th>
          {numbers === 'models' ? (
            <th scope="col" className="pr-3">
              Models
            </th>
          ) : null}
          <th scope="col">{amounts}</th>
          <th scope="col">With</th>
          <th scope="col" className="text-right whitespace-nowrap">
            Dry after
          </th>
        </tr>
      </thead>
      <tbody>
        {stages.map(({ stage, card, number, said }) => {
          const drops = card.mix?.lines.map(
            ({ material, drops: each }) => `${plural(each, 'drop')} ${material.name}`,
          )
          return (
            <tr key={stage.id} className="break-inside-avoid border-t border-paper-edge align-top">
              <th scope="row" className="py-0.5 pr-3 font-normal">
                {numbers === 'places' ? (
                  <span className="figures text-xs text-ink-soft">{number} </span>
                ) : null}
                <b>{stage.name}</b>
                {said.map((each) => (
                  <span key={each} className="block text-xs text-ink-soft">
                    {each}
                  </span>
                ))}
              </th>
              {numbers === 'models' ? <td className="figures pr-3">{number}</td> : null}
              <td className="pr-3">{drops && drops.length > 0 ? drops.join(' + ') : stage.material}</td>
              <td className="pr-3">{card.tool ? deskTools[card.tool] : ''}</td>
              <td className="text-right whitespace-nowrap">
                {dryingWait(stage) === 0 ? '' : durationText(dryingWait(stage))}
              </td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}
