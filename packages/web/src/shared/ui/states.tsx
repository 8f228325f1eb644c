import type { ReactNode } from 'react'
import { isAway } from '../api/index.ts'
import { Button } from './button.tsx'

interface EmptyProps {
  readonly title: string
  readonly children: ReactNode
  readonly actions?: ReactNode
}

/** Nothing here yet: says what belongs here and offers the first step. */
export function EmptyState({ title, children, actions }: EmptyProps) {
  return (
    <section className="ticket mx-auto mt-10 max-w-xl border-2 border-dashed p-8">
      <h2 className="text-2xl">{title}</h2>
      <div className="mt-2 text-ink-soft">{children}</div>
      {actions ? <div className="mt-5 flex flex-wrap gap-3">{actions}</div> : null}
    </section>
  )
}

interface ErrorProps {
  readonly error: unknown
  readonly onRetry?: () => void
  /** Of a page or a dialog that has a heading of its own. */
  readonly isPart?: boolean
}

export function ErrorState({ error, onRetry, isPart = false }: ErrorProps) {
  const away = isAway(error)
  const Heading = isPart ? 'h2' : 'h1'
  return (
    <section
      role="alert"
      className={`ticket max-w-xl border-l-8 border-l-hands ${isPart ? 'mt-3 p-5' : 'mx-auto mt-10 p-8'}`}
    >
      <Heading className="text-2xl">{away ? 'The desk is unattended' : 'This did not work'}</Heading>
      <p className="mt-2 text-ink-soft">
        {away
          ? 'Seriatim’s server does not answer. Nothing recorded is lost; as soon as it runs again, this page goes on.'
          : error instanceof Error
            ? error.message
            : 'Something unexpected happened.'}
      </p>
      {onRetry ? (
        <Button className="mt-5" onClick={onRetry}>
          Try again
        </Button>
      ) : null}
    </section>
  )
}

interface LoadingProps {
  readonly what: string
  /** Of a page that has a heading of its own. */
  readonly isPart?: boolean
}

/** Blank strips where the content will be; spoken once. */
export function LoadingState({ what, isPart = false }: LoadingProps) {
  const Heading = isPart ? 'p' : 'h1'
  return (
    <div role="status" className="mt-6 grid gap-3">
      <Heading className="sr-only">Loading {what} …</Heading>
      {[72, 90, 60].map((width) => (
        <div key={width} className="ticket h-14 animate-pulse" style={{ width: `${String(width)}%` }} />
      ))}
    </div>
  )
}
