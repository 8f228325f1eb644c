import { closestCenter, DndContext, PointerSensor, useSensor, useSensors } from '@dnd-kit/core'
import { SortableContext, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable'
import { CSS } from '@dnd-kit/utilities'
import { clsx } from 'clsx'
import { GripVertical } from 'lucide-react'
import type { ComponentPropsWithoutRef, CSSProperties, KeyboardEvent, ReactNode } from 'react'

interface SortableRowsProps {
  readonly ids: readonly string[]
  /** From one place to another, counted from 0; both are in the list and differ. */
  readonly onMove: (from: number, to: number) => void
  readonly children: ReactNode
}

/**
 * Rows that move by drag, each with a `useSortableRow` and a `MoveHandle`. The handle's arrows move a row at once, so
 * there is nothing to pick up or put down by key, and nothing for a pressed key to come too early for.
 */
export function SortableRows({ ids, onMove, children }: SortableRowsProps) {
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 4 } }))
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={({ active, over }) => {
        const [from, to] = [active.id, over?.id].map((id) => ids.indexOf(String(id))) as [number, number]
        if (from >= 0 && to >= 0 && from !== to) onMove(from, to)
      }}
      accessibility={{
        announcements,
        screenReaderInstructions: { draggable: 'The up and down arrow keys move it.' },
      }}
    >
      <SortableContext items={[...ids]} strategy={verticalListSortingStrategy}>
        {children}
      </SortableContext>
    </DndContext>
  )
}

/** Where a row has come to is said by what was changed, not by the drag. */
const announcements = {
  onDragStart: () => undefined,
  onDragOver: () => undefined,
  onDragEnd: () => undefined,
  onDragCancel: () => undefined,
}

interface SortableRow {
  readonly row: { readonly ref: (node: HTMLElement | null) => void; readonly style: CSSProperties }
  readonly handle: ComponentPropsWithoutRef<'button'>
  readonly isDragging: boolean
}

/** What a row of `SortableRows` puts on its element, and what its handle takes. */
export function useSortableRow(id: string, disabled = false): SortableRow {
  const { setNodeRef, transform, transition, isDragging, attributes, listeners } = useSortable({
    id,
    disabled,
  })
  return {
    row: { ref: setNodeRef, style: { transform: CSS.Translate.toString(transform), transition } },
    handle: { ...attributes, ...listeners },
    isDragging,
  }
}

interface MoveHandleProps {
  readonly name: string
  readonly handle: SortableRow['handle']
  readonly onMove: (by: -1 | 1) => void
  readonly disabled?: boolean
  readonly className?: string
}

export function MoveHandle({ name, handle, onMove, disabled = false, className }: MoveHandleProps) {
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key !== 'ArrowUp' && event.key !== 'ArrowDown') return
    event.preventDefault()
    onMove(event.key === 'ArrowUp' ? -1 : 1)
  }
  return (
    <button
      type="button"
      {...handle}
      aria-label={`Move ${name}`}
      aria-keyshortcuts="ArrowUp ArrowDown"
      disabled={disabled}
      onKeyDown={onKeyDown}
      className={clsx(
        'flex touch-none items-center justify-center text-ink-soft hover:text-ink disabled:opacity-30',
        className,
      )}
    >
      <GripVertical aria-hidden="true" size={18} />
    </button>
  )
}
