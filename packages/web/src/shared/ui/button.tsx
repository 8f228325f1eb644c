import { clsx } from 'clsx'
import type { ButtonHTMLAttributes } from 'react'

type Weight = 'main' | 'plain' | 'quiet' | 'hands'

const looks: Readonly<Record<Weight, string>> = {
  main: 'bg-ink text-paper border-ink',
  hands: 'bg-hands text-on-hands border-hands',
  plain: 'bg-paper text-ink border-ink',
  quiet: 'bg-transparent text-ink border-transparent underline underline-offset-4',
}

interface ButtonProps extends ButtonHTMLAttributes<HTMLButtonElement> {
  readonly weight?: Weight
}

export function Button({ weight = 'plain', className, type = 'button', ...rest }: ButtonProps) {
  return (
    <button
      type={type}
      className={clsx(
        'inline-flex min-h-11 items-center justify-center gap-2 rounded-[3px] border-2 px-4 py-1.5 font-bold',
        'hover:brightness-105 disabled:cursor-not-allowed disabled:opacity-55',
        looks[weight],
        className,
      )}
      {...rest}
    />
  )
}

interface IconButtonProps extends ButtonHTMLAttributes<HTMLButtonElement> {
  readonly label: string
}

/** A button that shows only an icon; its label is spoken and shown as a hint. */
export function IconButton({ label, className, type = 'button', ...rest }: IconButtonProps) {
  return (
    <button
      type={type}
      aria-label={label}
      title={label}
      className={clsx(
        'inline-flex size-11 shrink-0 items-center justify-center rounded-[3px] text-ink hover:bg-paper-dim',
        'disabled:cursor-not-allowed disabled:opacity-40',
        className,
      )}
      {...rest}
    />
  )
}
