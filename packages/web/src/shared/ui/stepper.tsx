import { Minus, Plus } from 'lucide-react'
import { IconButton } from './button.tsx'

interface StepperProps {
  readonly label: string
  readonly value: number
  readonly min: number
  readonly max: number
  readonly onChange: (value: number) => void
  /** What the value is called instead, where it has a name: the end of the scale, say. */
  readonly valueText?: string
}

/** A whole number by taps or keys. */
export function Stepper({ label, value, min, max, onChange, valueText }: StepperProps) {
  return (
    <div role="group" aria-label={label} className="ticket inline-flex items-center">
      <span className="pl-3 font-bold" aria-hidden="true">
        {label}
      </span>
      <IconButton label={`${label}: one less`} disabled={value <= min} onClick={() => onChange(value - 1)}>
        <Minus aria-hidden="true" size={18} />
      </IconButton>
      <output className="figures min-w-8 text-center text-lg font-bold" aria-live="polite">
        {valueText ?? value}
      </output>
      <IconButton label={`${label}: one more`} disabled={value >= max} onClick={() => onChange(value + 1)}>
        <Plus aria-hidden="true" size={18} />
      </IconButton>
    </div>
  )
}
