import {
  useCallback,
  useLayoutEffect,
  useRef,
  useState,
  type FocusEvent,
  type KeyboardEvent,
  type MouseEvent,
  type PointerEvent,
} from 'react'

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
  /** How many places a row has. */
  readonly columnsOf: (row: number) => number
  /** The places chosen, the one it began at first. */
  readonly onPunch: (places: readonly Place[]) => void
  /** Enter on one; without it Enter punches too. */
  readonly onOpen?: (place: Place) => void
  readonly onTouchUp?: (places: readonly Place[]) => void
  readonly onUndo: () => void
}

/**
 * Choosing holes on the board: a tap, a sweep of the pointer over many, or arrows with Shift and then
 * Space. Where the focus is and what is chosen is kept here; what punching means is the caller's.
 */
export function useStripSelection({
  rows,
  columnsOf,
  onPunch,
  onOpen,
  onTouchUp,
  onUndo,
}: StripSelectionOptions) {
  const [selection, setSelection] = useState<Selection>({
    anchor: { row: 0, column: 0 },
    focus: { row: 0, column: 0 },
  })
  const [swept, setSwept] = useState<readonly Place[]>([])
  const sweeping = useRef<Place[]>([])
  const grid = useRef<HTMLDivElement>(null)
  const movedTo = useRef<Place | null>(null)
  const within = ({ row, column }: Place): Place => {
    const last = Math.min(row, Math.max(0, rows - 1))
    return { row: last, column: Math.min(column, Math.max(0, columnsOf(last) - 1)) }
  }
  const focus = within(selection.focus)

  // The place may be drawn only now that it was moved to.
  useLayoutEffect(() => {
    const place = movedTo.current
    const cell = place && grid.current?.querySelector<HTMLElement>(selectorOf(place))
    if (!cell) return
    movedTo.current = null
    cell.focus()
  })

  const moveTo = (place: Place, extend: boolean) => {
    setSelection({ anchor: extend ? selection.anchor : place, focus: place })
    movedTo.current = place
  }

  const onKeyDown = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return
    const step = steps[event.key]
    if (step) {
      event.preventDefault()
      moveTo(within(step(focus)), event.shiftKey)
    } else if (event.key === 'Enter' && onOpen) {
      event.preventDefault()
      onOpen(focus)
    } else if (event.key === ' ' || event.key === 'Enter') {
      event.preventDefault()
      onPunch(placesOf({ anchor: selection.anchor, focus }))
    } else if (event.key.toLowerCase() === 't' && onTouchUp) {
      event.preventDefault()
      onTouchUp(placesOf({ anchor: selection.anchor, focus }))
    } else if (event.key.toLowerCase() === 'z') {
      event.preventDefault()
      onUndo()
    } else if (event.key === 'Escape') {
      event.preventDefault()
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
      // Whoever focuses a strip otherwise goes on from there.
      onFocus: ({ target }: FocusEvent) => {
        const place = placeOf(target)
        if (place && (place.row !== focus.row || place.column !== focus.column))
          setSelection({ anchor: place, focus: place })
      },
      onPointerDown,
      onPointerMove,
      onPointerUp: () => endSweep(true),
      onPointerCancel: () => endSweep(false),
    },
    /** For clicks that come without a pointer, from a screen reader. */
    clickWithoutPointer: (place: Place) => onPunch([place]),
  }
}

interface PlaceLook {
  readonly label: string
  readonly isFocus: boolean
  readonly isChosen: boolean
  readonly onClickWithoutPointer: (place: Place) => void
}

/** What a place on the board carries, so that pointer, keys and screen reader find it. */
export function placeProps(
  { row, column }: Place,
  { label, isFocus, isChosen, onClickWithoutPointer }: PlaceLook,
) {
  return {
    role: 'gridcell',
    tabIndex: isFocus ? 0 : -1,
    'aria-label': label,
    'aria-selected': isChosen,
    title: label,
    'data-row': row,
    'data-column': column,
    onClick: (event: MouseEvent) => {
      if (event.detail === 0) onClickWithoutPointer({ row, column })
    },
  } as const
}

/** Where a key leads, beyond the end as well. */
const steps: Readonly<Record<string, (at: Place) => Place>> = {
  ArrowLeft: (at) => ({ ...at, column: Math.max(0, at.column - 1) }),
  ArrowRight: (at) => ({ ...at, column: at.column + 1 }),
  ArrowUp: (at) => ({ ...at, row: Math.max(0, at.row - 1) }),
  ArrowDown: (at) => ({ ...at, row: at.row + 1 }),
  Home: (at) => ({ ...at, column: 0 }),
  End: (at) => ({ ...at, column: Number.MAX_SAFE_INTEGER }),
}

const selectorOf = (place: Place) =>
  `[data-row="${String(place.row)}"][data-column="${String(place.column)}"]`

const placeAt = (x: number, y: number) => placeOf(document.elementFromPoint(x, y))

function placeOf(element: Element | null): Place | null {
  const cell = element?.closest<HTMLElement>('[data-row][data-column]')
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
