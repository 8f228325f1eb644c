import { Popover } from 'radix-ui'
import type { ReactNode } from 'react'

interface FigureProps {
  /** The figure as read in the sentence. */
  readonly children: ReactNode
  /** What it is, for the head of the explanation. */
  readonly name: string
  /** How it came about: formula, inputs, source. */
  readonly explanation: ReactNode
}

/** A figure that opens to show how it came about. */
export function Figure({ children, name, explanation }: FigureProps) {
  return (
    <Popover.Root>
      <Popover.Trigger className="min-h-6 rounded-[3px] font-bold text-ink underline decoration-dotted decoration-2 underline-offset-4">
        {children}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={6}
          collisionPadding={12}
          aria-label={`How “${name}” came about`}
          className="ticket z-10 max-w-sm p-4 text-sm shadow-lg"
        >
          <p className="font-heading text-base font-bold">{name}</p>
          <div className="mt-1 grid gap-1 text-ink-soft">{explanation}</div>
          <Popover.Arrow className="fill-paper" />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}
