import { clsx } from 'clsx'
import type { ReactNode } from 'react'

interface ScrollRegionProps {
  /** What is in it, spoken when it is reached by key. */
  readonly label: string
  readonly className?: string
  readonly children: ReactNode
}

/** Something wide that scrolls sideways by itself, with the keys as well, and never the page. */
export function ScrollRegion({ label, className, children }: ScrollRegionProps) {
  return (
    <div
      className={clsx('relative overflow-x-auto', className)}
      tabIndex={0}
      role="region"
      aria-label={label}
    >
      {children}
    </div>
  )
}
