import { useState, type PointerEvent as ReactPointerEvent, type RefObject } from 'react'
import type { Band, StringLayout } from './string-layout.ts'
import type { Hands } from './StringParts.tsx'

const threshold = 10

/** A stretch carried to another session; a press without a way is a choice. */
export function useStretchDrag(
  layout: StringLayout,
  scroller: RefObject<HTMLDivElement | null>,
  onDrop: (hands: Hands, band: Band) => void,
) {
  const [over, setOver] = useState<Band | null>(null)

  const bandAt = (clientX: number): Band | null => {
    const box = scroller.current
    if (!box) return null
    const x = clientX - box.getBoundingClientRect().left + box.scrollLeft
    return layout.bands.find((band) => x >= band.x && x <= band.x + band.width) ?? null
  }

  const begin = (hands: Hands, event: ReactPointerEvent, onChoose: () => void) => {
    if (event.button !== 0) return
    event.preventDefault()
    const from = event.clientX
    const home = layout.bands.find(
      ({ session }) => session.startsAt <= hands.stretch.startsAt && hands.stretch.startsAt < session.endsAt,
    )
    let dragged = false
    const move = (moved: PointerEvent) => {
      if (Math.abs(moved.clientX - from) > threshold) dragged = true
      if (dragged) setOver(bandAt(moved.clientX))
    }
    const end = (ended: PointerEvent) => {
      globalThis.removeEventListener('pointermove', move)
      globalThis.removeEventListener('pointerup', end)
      globalThis.removeEventListener('pointercancel', end)
      setOver(null)
      if (!dragged) {
        if (ended.type === 'pointerup') onChoose()
        return
      }
      const band = ended.type === 'pointerup' ? bandAt(ended.clientX) : null
      if (band && band !== home) onDrop(hands, band)
    }
    globalThis.addEventListener('pointermove', move)
    globalThis.addEventListener('pointerup', end)
    globalThis.addEventListener('pointercancel', end)
  }

  return { over, begin }
}
