import { useLayoutEffect, useState } from 'react'

/** How wide the strips' room is, and where on the page it begins: pixels. */
export interface Frame {
  readonly width: number
  readonly top: number
}

/** The frame of an element, followed while it and the page around it change. */
export function useFrame(frame: React.RefObject<HTMLElement | null>): Frame {
  const [place, setPlace] = useState<Frame>({ width: 1100, top: 0 })
  useLayoutEffect(() => {
    const element = frame.current
    if (!element) return
    const look = () => {
      const box = element.getBoundingClientRect()
      const next = { width: Math.floor(box.width), top: Math.round(box.top + window.scrollY) }
      setPlace((before) => (before.width === next.width && before.top === next.top ? before : next))
    }
    look()
    const watcher = new ResizeObserver(look)
    watcher.observe(element)
    // What stands above it grows and shrinks.
    watcher.observe(document.body)
    return () => watcher.disconnect()
  }, [frame])
  return place
}
