import { useEffect, useEffectEvent, useState } from 'react'
import { storeWord, useStoredWord } from './stored-word.ts'

const pedalKey = 'seriatim.pedal'

/** What the pedal of this device is called, `Page Down` or `button 1 of a game pad`; `null` where there is none. */
export function usePedalName(): string | null {
  const word = useStoredWord(pedalKey)
  if (!word) return null
  const [kind, name = ''] = word.split(':')
  return kind === 'pad'
    ? `button ${String(Number(name) + 1)} of a game pad`
    : name.replaceAll(/([a-z])([A-Z])/g, '$1 $2')
}

export function forgetPedal(): void {
  storeWord(pedalKey, '')
}

/** Keys that mean something on any page are no pedal. */
const never = new Set(['Tab', 'Escape', 'Enter', ' ', 'Shift', 'Control', 'Alt', 'Meta'])

/** Waits for a key, a media key or a game pad's button, and keeps it as the pedal. */
export function useLearnPedal(): { readonly isWaiting: boolean; readonly learn: () => void } {
  const [isWaiting, setWaiting] = useState(false)
  useEffect(() => {
    if (!isWaiting) return
    return listen((word, event) => {
      if (event?.key === 'Escape') setWaiting(false)
      if (event && never.has(event.key)) return
      event?.preventDefault()
      event?.stopPropagation()
      storeWord(pedalKey, word)
      setWaiting(false)
    })
  }, [isWaiting])
  return { isWaiting, learn: () => setWaiting(true) }
}

/** Does it whenever the pedal is pressed. */
export function usePedal(action: () => void): void {
  const word = useStoredWord(pedalKey)
  const act = useEffectEvent(action)
  useEffect(() => {
    if (!word) return
    return listen((pressed, event) => {
      if (pressed !== word || event?.repeat === true || document.querySelector('[role="dialog"]')) return
      event?.preventDefault()
      act()
    })
  }, [word])
}

type Pressed = (word: string, event: KeyboardEvent | null) => void

/** Game pads have no events for their buttons: they are looked at with every frame, as long as there is one. */
function listen(onPress: Pressed): () => void {
  const down = new Set<string>()
  let frame = 0
  const look = () => {
    const pads = navigator.getGamepads().filter((pad) => pad !== null)
    for (const pad of pads) {
      pad.buttons.forEach((button, index) => {
        const word = `pad:${String(index)}`
        if (button.pressed && !down.has(word)) onPress(word, null)
        if (button.pressed) down.add(word)
        else down.delete(word)
      })
    }
    frame = pads.length > 0 ? requestAnimationFrame(look) : 0
  }
  const begin = () => {
    if (frame === 0) frame = requestAnimationFrame(look)
  }
  const onKey = (event: KeyboardEvent) => onPress(`key:${event.key}`, event)
  window.addEventListener('keydown', onKey, true)
  window.addEventListener('gamepadconnected', begin)
  begin()
  return () => {
    window.removeEventListener('keydown', onKey, true)
    window.removeEventListener('gamepadconnected', begin)
    cancelAnimationFrame(frame)
  }
}
