import { ChevronRight } from 'lucide-react'
import type { ReactNode } from 'react'
import { storeWord, useStoredWord } from '../stored-word.ts'

interface FoldProps {
  /** It stays as it was left on this device under this name. */
  readonly id: string
  readonly title: string
  /** What is in it, in a line. */
  readonly hint?: ReactNode
  /** Open where nobody has said anything else. */
  readonly open?: boolean
  readonly children: ReactNode
}

const opened = 'open'
const folded = 'folded'

/** A part of a page that is there for who wants it: folded until it is opened, and made only then. */
export function Fold({ id, title, hint, open = false, children }: FoldProps) {
  const key = `fold.${id}`
  const kept = useStoredWord(key)
  const isOpen = kept === null ? open : kept === opened
  return (
    <section aria-label={title} className="border-t-2 border-rule">
      <h2>
        <button
          type="button"
          aria-expanded={isOpen}
          className="flex min-h-12 w-full flex-wrap items-center gap-x-3 py-1 text-left"
          onClick={() => storeWord(key, isOpen ? folded : opened)}
        >
          <ChevronRight aria-hidden="true" size={20} className={isOpen ? 'rotate-90' : ''} />
          <span className="text-xl font-bold">{title}</span>
          {hint === undefined ? null : (
            <span className="font-sans text-base font-normal text-ink-soft">{hint}</span>
          )}
        </button>
      </h2>
      {isOpen ? <div className="grid grid-cols-1 gap-4 pt-1 pb-5">{children}</div> : null}
    </section>
  )
}
