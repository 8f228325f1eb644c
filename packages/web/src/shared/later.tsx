import { useEffect, useLayoutEffect, useState, type ReactNode } from 'react'
import { Button } from './ui/index.ts'

interface LaterProps<Module> {
  /** What it is, at the beginning of a sentence. */
  readonly name: string
  /** Nothing is said while it is on its way. */
  readonly quiet?: boolean
  /** The same function each time. */
  readonly load: () => Promise<Module>
  readonly children: (module: Module) => ReactNode
}

/**
 * A part of a page that is loaded when it is wanted. Where it cannot be, without a network or since a newer release took
 * its place, the page stays as it is: the part's own place says so, and it is tried again as soon as there is a network.
 */
export function Later<Module>({ name, quiet = false, load, children }: LaterProps<Module>) {
  const [loaded, setLoaded] = useState<{ readonly module: Module } | 'failed' | null>(null)
  const [turn, setTurn] = useState(0)
  useEffect(() => {
    let isWanted = true
    load().then(
      (module) => isWanted && setLoaded({ module }),
      () => isWanted && setLoaded('failed'),
    )
    return () => {
      isWanted = false
    }
  }, [load, turn])
  const again = () => setTurn((before) => before + 1)
  const hasFailed = loaded === 'failed'
  // With the words that say so, not a moment after them.
  useLayoutEffect(() => {
    if (!hasFailed) return
    window.addEventListener('online', again)
    return () => window.removeEventListener('online', again)
  }, [hasFailed])

  if (loaded !== null && loaded !== 'failed') return children(loaded.module)
  if (!hasFailed && quiet) return null
  return hasFailed ? (
    <div role="status" className="flex flex-wrap items-center gap-x-4">
      <p>{name} cannot be loaded now. If that stays so, load the page anew.</p>
      <Button weight="quiet" onClick={again}>
        Try again
      </Button>
    </div>
  ) : (
    <p role="status">{name}: loading …</p>
  )
}
