import { standards } from '@seriatim/core/trade'
import type { ComponentProps } from 'react'
import { SelectField } from '../../shared/ui/index.ts'

/** The agreed finish of a unit. */
export function StandardField(props: Omit<ComponentProps<typeof SelectField>, 'label' | 'options'>) {
  return (
    <SelectField
      label="Painted to"
      hint="What its recipe keeps for a higher standard is left out."
      options={standards.map((value) => ({
        value,
        text: value === 'display' ? 'display: everything in its recipe' : value,
      }))}
      {...props}
    />
  )
}
