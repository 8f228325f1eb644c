import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core'
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable'
import { CSS } from '@dnd-kit/utilities'
import { clsx } from 'clsx'
import { ArrowDown, ArrowUp, GripVertical } from 'lucide-react'
import { IconButton } from '../../shared/ui/index.ts'

interface Item {
  readonly id: string
  readonly text: string
  readonly marked?: boolean
}

interface SortableNamesProps {
  readonly label: string
  readonly items: readonly Item[]
  readonly onOrder: (ids: readonly string[], moved: string) => void
}

/** Names in an order that is changed by drag, by the handle's keys, or by the arrows beside each. */
export function SortableNames({ label, items, onOrder }: SortableNamesProps) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  )
  const ids = items.map((item) => item.id)
  const move = (from: number, to: number) => {
    const moved = ids[from]
    if (moved !== undefined && from !== to && to >= 0 && to < ids.length)
      onOrder(arrayMove(ids, from, to), moved)
  }
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={({ active, over }) => {
        if (over) move(ids.indexOf(String(active.id)), ids.indexOf(String(over.id)))
      }}
    >
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        <ol aria-label={label} className="grid gap-1">
          {items.map((item, index) => (
            <Name
              key={item.id}
              item={item}
              number={index + 1}
              isLast={index === items.length - 1}
              onMove={(by) => move(index, index + by)}
            />
          ))}
        </ol>
      </SortableContext>
    </DndContext>
  )
}

function Name({
  item,
  number,
  isLast,
  onMove,
}: {
  readonly item: Item
  readonly number: number
  readonly isLast: boolean
  readonly onMove: (by: number) => void
}) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({
    id: item.id,
  })
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={clsx(
        'flex items-center gap-2 border-t border-paper-edge bg-paper',
        isDragging && 'relative z-5 shadow-lg',
        item.marked === true && 'font-bold',
      )}
    >
      <button
        type="button"
        className="grid min-h-11 min-w-8 cursor-grab place-items-center text-ink-soft"
        {...attributes}
        {...listeners}
        aria-label={`Move ${item.text}`}
      >
        <GripVertical aria-hidden="true" size={18} />
      </button>
      <span className="figures w-6 text-sm text-ink-soft">{number}</span>
      <span className="min-w-0 grow">{item.text}</span>
      <IconButton label={`${item.text}: up`} disabled={number === 1} onClick={() => onMove(-1)}>
        <ArrowUp aria-hidden="true" size={18} />
      </IconButton>
      <IconButton label={`${item.text}: down`} disabled={isLast} onClick={() => onMove(1)}>
        <ArrowDown aria-hidden="true" size={18} />
      </IconButton>
    </li>
  )
}
