import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type Announcements,
  type DragEndEvent,
} from '@dnd-kit/core'
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable'
import type { LineEstimate, Stage, StageId, Unit } from '@seriatim/core'
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
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  )
  const placeOf = (id: unknown) => line.findIndex((stage) => stage.id === id)
  const nameOf = (id: unknown) => line[placeOf(id)]?.name ?? ''

  const move = (from: number, to: number) => {
    const stage = line[from]
    if (!stage || from === to || to < 0 || to >= line.length) return
    onWrite(arrayMove([...line], from, to), `${stage.name} is now stage ${String(to + 1)}.`)
  }
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    if (over) move(placeOf(active.id), placeOf(over.id))
  }
  const announcements: Announcements = {
    onDragStart: ({ active }) => `${nameOf(active.id)} picked up at place ${String(placeOf(active.id) + 1)}.`,
    onDragOver: ({ active, over }) =>
      over ? `${nameOf(active.id)} over place ${String(placeOf(over.id) + 1)}.` : undefined,
    onDragEnd: ({ active, over }) =>
      over ? `${nameOf(active.id)} put at place ${String(placeOf(over.id) + 1)}.` : undefined,
    onDragCancel: ({ active }) => `${nameOf(active.id)} stays where it was.`,
  }

  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={onDragEnd}
      accessibility={{ announcements }}
    >
      <SortableContext items={line.map((stage) => stage.id)} strategy={verticalListSortingStrategy}>
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
                  `${stage.name} left the line.`,
                )
                onOpen(null)
              }}
            />
          ))}
        </ol>
      </SortableContext>
    </DndContext>
  )
}
