import { arrayMove } from '@dnd-kit/sortable'
import { clsx } from 'clsx'
import { ArrowDown, ArrowUp } from 'lucide-react'
import { MoveHandle, SortableRows, useSortableRow } from '../../shared/sortable.tsx'
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
  const ids = items.map((item) => item.id)
  const move = (from: number, to: number) => {
    const moved = ids[from]
    if (moved !== undefined && to >= 0 && to < ids.length) onOrder(arrayMove(ids, from, to), moved)
  }
  return (
    <SortableRows ids={ids} onMove={move}>
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
    </SortableRows>
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
  readonly onMove: (by: -1 | 1) => void
}) {
  const { row, handle, isDragging } = useSortableRow(item.id)
  return (
    <li
      {...row}
      className={clsx(
        'flex items-center gap-2 border-t border-paper-edge bg-paper',
        isDragging && 'relative z-5 shadow-lg',
        item.marked === true && 'font-bold',
      )}
    >
      <MoveHandle name={item.text} handle={handle} onMove={onMove} className="min-h-11 min-w-8 cursor-grab" />
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
