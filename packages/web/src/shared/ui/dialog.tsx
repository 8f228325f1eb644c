import { X } from 'lucide-react'
import { Dialog as Radix } from 'radix-ui'
import { useRef, type ReactNode } from 'react'
import { IconButton } from './button.tsx'
import { giveFocusBack, lastPress } from './last-press.ts'

interface DialogProps {
  readonly open: boolean
  readonly onOpenChange: (open: boolean) => void
  readonly title: string
  readonly description?: string
  readonly wide?: boolean
  readonly children: ReactNode
}

/**
 * A ticket held above the mat; focus stays inside, Escape closes and gives it back to what opened it. It hangs from above: what comes into it later moves
 * nothing over it.
 */
export function Dialog({ open, onOpenChange, title, description, wide = false, children }: DialogProps) {
  const opener = useRef<ReturnType<typeof lastPress>>(null)
  return (
    <Radix.Root open={open} onOpenChange={onOpenChange}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-20 bg-[#0b1712b0]" />
        <Radix.Content
          {...(description === undefined ? { 'aria-describedby': undefined } : {})}
          onOpenAutoFocus={() => {
            const held = document.activeElement
            const isHeld = held instanceof HTMLElement && held !== document.body
            opener.current = lastPress() ?? (isHeld ? { on: held, byPointer: false } : null)
          }}
          onCloseAutoFocus={(event) => {
            event.preventDefault()
            giveFocusBack(opener.current)
          }}
          className={`ticket fixed z-20 top-[5dvh] left-1/2 max-h-[92dvh] w-[min(96vw,var(--dialog))] -translate-x-1/2 overflow-y-auto p-6`}
          style={{ ['--dialog' as string]: wide ? '60rem' : '36rem' }}
        >
          <div className="flex items-start gap-4">
            <div className="grow">
              <Radix.Title className="text-2xl">{title}</Radix.Title>
              {description === undefined ? null : (
                <Radix.Description className="mt-1 text-ink-soft">{description}</Radix.Description>
              )}
            </div>
            <Radix.Close asChild>
              <IconButton label="Close">
                <X aria-hidden="true" />
              </IconButton>
            </Radix.Close>
          </div>
          <div className="mt-4">{children}</div>
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  )
}
