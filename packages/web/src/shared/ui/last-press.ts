/** What was pressed last, and whether by a pointer; `null` when a key of the page was. */
interface Press {
  readonly on: HTMLElement
  readonly byPointer: boolean
}

let last: Press | null = null

if (typeof window !== 'undefined') {
  window.addEventListener('keydown', () => (last = null), true)
  window.addEventListener('click', remember, true)
}

function remember(event: MouseEvent): void {
  const on = event.target instanceof Element ? event.target.closest<HTMLElement>('button, a, summary') : null
  last = on && { on, byPointer: event.detail > 0 }
}

export const lastPress = (): Press | null => last

const returned = 'data-returned'

/**
 * Focus goes back to where it came from; where that has left the page, to its content. Who had pressed it with a pointer
 * has the page's keys all the same, until the focus moves.
 */
export function giveFocusBack(to: Press | null): void {
  const place = to?.on.isConnected === true ? to.on : document.getElementById('main')
  if (!place) return
  if (to?.byPointer === true && place === to.on) {
    place.setAttribute(returned, '')
    place.addEventListener('blur', () => place.removeAttribute(returned), { once: true })
  }
  place.focus({ preventScroll: true })
}

/** Whether the focus only came back to it. */
export function isReturned(element: Element): boolean {
  return element.closest(`[${returned}]`) !== null
}
