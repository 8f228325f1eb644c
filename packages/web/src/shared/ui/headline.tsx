import type { ReactNode } from 'react'

interface HeadlineProps {
  /** The answer, as a sentence. */
  readonly children: ReactNode
  /** The figures behind it. */
  readonly sub?: ReactNode
  readonly actions?: ReactNode
}

/** A page begins with the answer. */
export function Headline({ children, sub, actions }: HeadlineProps) {
  return (
    <header className="flex flex-wrap items-end justify-between gap-x-8 gap-y-3 pt-5 pb-4">
      <div className="min-w-0">
        <h1 className="text-2xl text-balance sm:text-[2rem]">{children}</h1>
        {sub ? <div className="mt-1 text-ink-soft">{sub}</div> : null}
      </div>
      {actions ? <div className="flex flex-wrap items-center gap-2">{actions}</div> : null}
    </header>
  )
}

export function Kbd({ children }: { readonly children: ReactNode }) {
  return <kbd className="figures text-xs font-normal">{children}</kbd>
}
