import type { LineEstimate } from '@seriatim/core/estimating'
import type { Stage, Unit } from '@seriatim/core/trade'
import type { StageId } from '@seriatim/core/units'
import { arrayMove } from '@dnd-kit/sortable'
import { SortableRows } from '../../shared/sortable.tsx'
import { StageRow } from './StageRow.tsx'

interface StageListProps {
  readonly line: readonly Stage[]
  readonly units: readonly Unit[]
  readonly estimate: LineEstimate | undefined
  readonly openId: StageId | null
  readonly onOpen: (id: StageId | null) => void
  readonly onWrite: (line: readonly Stage[], said: string) => void
  /** A stage as its form has it. */
  readonly onSave: (stage: Stage) => void
}

/** The line, top to bottom; a stage moves by drag, by the handle's keys, or with Alt and an arrow. */
export function StageList({ line, units, estimate, openId, onOpen, onWrite, onSave }: StageListProps) {
  const move = (from: number, to: number) => {
    const stage = line[from]
    if (!stage || to < 0 || to >= line.length) return
    onWrite(arrayMove([...line], from, to), `${stage.name} is now stage ${String(to + 1)}.`)
  }

  return (
    <SortableRows ids={line.map((stage) => stage.id)} onMove={move}>
      <ol className="relative grid gap-2 before:absolute before:top-4 before:bottom-4 before:left-[21px] before:border-l-2 before:border-ink">
        {line.map((stage, index) => (
          <StageRow
            key={stage.id}
            stage={stage}
            number={index + 1}
            units={units}
            estimate={estimate}
            isOpen={stage.id === openId}
            onToggle={() => onOpen(stage.id === openId ? null : stage.id)}
            onMove={(by) => move(index, index + by)}
            onSave={onSave}
            onType={(next) =>
              onWrite(
                line.map((each) => (each.id === next.id ? next : each)),
                `${next.name}: the minutes are changed.`,
              )
            }
            onRemove={() => {
              onWrite(
                line.filter((each) => each.id !== stage.id),
                `${stage.name} is out of the stage order.`,
              )
              onOpen(null)
            }}
          />
        ))}
      </ol>
    </SortableRows>
  )
}
