import { useCallback, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react'

export interface Place {
  readonly row: number
  readonly column: number
}

interface Selection {
  readonly anchor: Place
  readonly focus: Place
}

interface StripSelectionOptions {
  readonly rows: number
  readonly columns: number
  /** The places chosen, the one it began at first. */
  readonly onPunch: (places: readonly Place[]) => void
  readonly onTouchUp: (places: readonly Place[]) => void
  readonly onUndo: () => void
}

/**
 * Choosing holes on the board: a tap, a sweep of the pointer over many, or arrows with Shift and then
 * Space. Where the focus is and what is chosen is kept here; what punching means is the caller's.
 */
export function useStripSelection({ rows, columns, onPunch, onTouchUp, onUndo }: StripSelectionOptions) {
  const [selection, setSelection] = useState<Selection>({
    anchor: { row: 0, column: 0 },
    focus: { row: 0, column: 0 },
  })
  const [swept, setSwept] = useState<readonly Place[]>([])
  const sweeping = useRef<Place[]>([])
  const grid = useRef<HTMLDivElement>(null)
  const focus = {
    row: Math.min(selection.focus.row, Math.max(0, rows - 1)),
    column: Math.min(selection.focus.column, Math.max(0, columns - 1)),
  }

  const moveTo = (place: Place, extend: boolean) => {
    setSelection({ anchor: extend ? selection.anchor : place, focus: place })
    grid.current?.querySelector<HTMLElement>(selectorOf(place))?.focus()
  }

  const onKeyDown = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return
    const step = steps[event.key]
    if (step) {
      event.preventDefault()
      moveTo(step(focus, rows - 1, columns - 1), event.shiftKey)
    } else if (event.key === ' ' || event.key === 'Enter') {
      event.preventDefault()
      onPunch(placesOf({ anchor: selection.anchor, focus }))
    } else if (event.key.toLowerCase() === 't') {
      event.preventDefault()
      onTouchUp(placesOf({ anchor: selection.anchor, focus }))
    } else if (event.key.toLowerCase() === 'z') {
      event.preventDefault()
      onUndo()
    } else if (event.key === 'Escape') {
      setSelection({ anchor: focus, focus })
    }
  }

  const sweepOver = useCallback((place: Place) => {
    const known = sweeping.current.some((each) => each.row === place.row && each.column === place.column)
    if (known) return
    sweeping.current = [...sweeping.current, place]
    setSwept(sweeping.current)
  }, [])

  const onPointerDown = (event: PointerEvent) => {
    const place = placeAt(event.clientX, event.clientY)
    if (event.button !== 0 || !place) return
    sweeping.current = []
    sweepOver(place)
    setSelection({ anchor: place, focus: place })
    if (event.pointerType !== 'touch') event.currentTarget.setPointerCapture(event.pointerId)
  }
  const onPointerMove = (event: PointerEvent) => {
    if (sweeping.current.length === 0) return
    const place = placeAt(event.clientX, event.clientY)
    if (place) sweepOver(place)
  }
  const endSweep = (punch: boolean) => {
    const places = sweeping.current
    sweeping.current = []
    setSwept([])
    if (punch && places.length > 0) onPunch(places)
  }

  const isMany = selection.anchor.row !== focus.row || selection.anchor.column !== focus.column
  const isChosen = ({ row, column }: Place) =>
    swept.some((each) => each.row === row && each.column === column) ||
    (isMany && inside({ anchor: selection.anchor, focus }, { row, column }))

  return {
    grid,
    focus,
    isChosen,
    gridProps: {
      onKeyDown,
      onPointerDown,
      onPointerMove,
      onPointerUp: () => endSweep(true),
      onPointerCancel: () => endSweep(false),
    },
    /** For clicks that come without a pointer, from a screen reader. */
    clickWithoutPointer: (place: Place) => onPunch([place]),
  }
}

const steps: Readonly<Record<string, (at: Place, lastRow: number, lastColumn: number) => Place>> = {
  ArrowLeft: (at) => ({ ...at, column: Math.max(0, at.column - 1) }),
  ArrowRight: (at, _, last) => ({ ...at, column: Math.min(last, at.column + 1) }),
  ArrowUp: (at) => ({ ...at, row: Math.max(0, at.row - 1) }),
  ArrowDown: (at, last) => ({ ...at, row: Math.min(last, at.row + 1) }),
  Home: (at) => ({ ...at, column: 0 }),
  End: (at, _, last) => ({ ...at, column: last }),
}

const selectorOf = (place: Place) =>
  `[data-row="${String(place.row)}"][data-column="${String(place.column)}"]`

function placeAt(x: number, y: number): Place | null {
  const cell = document.elementFromPoint(x, y)?.closest<HTMLElement>('[data-row][data-column]')
  return cell ? { row: Number(cell.dataset['row']), column: Number(cell.dataset['column']) } : null
}

function inside({ anchor, focus }: Selection, { row, column }: Place): boolean {
  const between = (value: number, a: number, b: number) => value >= Math.min(a, b) && value <= Math.max(a, b)
  return between(row, anchor.row, focus.row) && between(column, anchor.column, focus.column)
}

function placesOf(selection: Selection): Place[] {
  const { anchor, focus } = selection
  const places: Place[] = [anchor]
  for (let row = Math.min(anchor.row, focus.row); row <= Math.max(anchor.row, focus.row); row++) {
    for (
      let column = Math.min(anchor.column, focus.column);
      column <= Math.max(anchor.column, focus.column);
      column++
    ) {
      if (row !== anchor.row || column !== anchor.column) places.push({ row, column })
    }
  }
  return places
}
