import { defaultRangeExtractor, useWindowVirtualizer, type Range } from '@tanstack/react-virtual'
import { useCallback, useLayoutEffect } from 'react'

interface Row {
  readonly key: string
  /** Pixels. */
  readonly height: number
}

interface RowsInView {
  /** All of them; the same array as long as nothing of it changes. */
  readonly rows: readonly Row[]
  /** Up to so many are all drawn, so that they are found by searching the page and by reading it out. */
  readonly allUpTo?: number
  /** The row that has the keys: it stays, so that they are not lost to whoever scrolls away. */
  readonly focusRow: number
  /** Where on the page the rows begin, in pixels. */
  readonly top: number
}

interface RowInView {
  readonly index: number
  readonly key: string
  /** Puts what is drawn at the rows' top where the row is. */
  readonly style: { readonly transform: string }
}

/** Which rows of a long list are to be drawn, and how high the whole of it is. */
export function useRowsInView({ rows, allUpTo = 0, focusRow, top }: RowsInView) {
  const estimateSize = useCallback((index: number) => rows[index]?.height ?? 0, [rows])
  const getItemKey = useCallback((index: number) => rows[index]?.key ?? index, [rows])
  const virtual = useWindowVirtualizer({
    count: rows.length,
    estimateSize,
    getItemKey,
    overscan: rows.length <= allUpTo ? rows.length : 8,
    rangeExtractor: (range: Range) =>
      [...new Set([...defaultRangeExtractor(range), ...(range.count > 0 ? [focusRow] : [])])].sort(
        (a, b) => a - b,
      ),
    scrollMargin: top,
    // Rows that come into view are drawn with the next frame, not in the middle of scrolling.
    useFlushSync: false,
  })
  const shape = rows.map((row) => row.height).join(' ')
  useLayoutEffect(() => virtual.measure(), [virtual, shape])
  return {
    rows: virtual.getVirtualItems().map(({ index, key, start }): RowInView => ({
      index,
      key: String(key),
      style: { transform: `translateY(${String(start - top)}px)` },
    })),
    height: virtual.getTotalSize(),
  }
}
