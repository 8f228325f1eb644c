import { isReturned } from './ui/index.ts'
import { useEffect, useEffectEvent } from 'react'

/** Keys of a page, by `event.key`. */
export type PageKeys = Readonly<Record<string, () => void>>

const typing = 'input, textarea, select, [contenteditable], [role="menu"]'
const dialog = '[role="dialog"]'
const pressing: Readonly<Record<string, string>> = { ' ': 'button, summary', Enter: 'button, summary, a' }

/**
 * One key an action, anywhere on the page but where the key means something else already; with a dialog open they rest,
 * unless they are the dialog's own.
 */
export function usePageKeys(keys: PageKeys, whose: 'page' | 'dialog' = 'page'): void {
  const onKey = useEffectEvent((event: KeyboardEvent) => {
    if (event.defaultPrevented || event.ctrlKey || event.metaKey || event.altKey || event.repeat) return
    const target = event.target instanceof Element ? event.target : null
    if (target?.closest(typing) || (whose === 'page' && document.querySelector(dialog))) return
    const pressed = pressing[event.key]
    if (pressed && target?.closest(pressed) && !isReturned(target)) return
    const action = keys[event.key.length === 1 ? event.key.toLowerCase() : event.key]
    if (!action) return
    event.preventDefault()
    action()
  })
  useEffect(() => {
    const listener = (event: KeyboardEvent) => onKey(event)
    window.addEventListener('keydown', listener)
    window.addEventListener('click', letGo)
    return () => {
      window.removeEventListener('keydown', listener)
      window.removeEventListener('click', letGo)
    }
  }, [])
}

/** A tap leaves the keys with the desk: Space after a tapped Undo means the next model, not another undo. */
function letGo(event: MouseEvent): void {
  const held = document.activeElement
  const isPointer = event.detail > 0
  if (isPointer && held instanceof HTMLElement && held.matches('button, summary')) held.blur()
}
