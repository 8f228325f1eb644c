import { sizePresets } from '@seriatim/core/presets'
import { details, sizes } from '@seriatim/core/trade'
import type { ComponentProps } from 'react'
import { SelectField, TextField } from '../../shared/ui/index.ts'

type SelectProps = Omit<ComponentProps<typeof SelectField>, 'label' | 'options'>

interface KindFieldsProps {
  readonly size: SelectProps
  readonly detail: SelectProps
  readonly perHolder: Omit<ComponentProps<typeof TextField>, 'label'>
}

/** What makes a model of the unit quick or slow: its minutes follow from it. */
export function KindFields({ size, detail, perHolder }: KindFieldsProps) {
  return (
    <div className="grid items-start gap-4 sm:grid-cols-3">
      <SelectField
        label="Size"
        options={sizes.map((value) => ({ value, text: `${value}: ${sizePresets[value].like}` }))}
        {...size}
      />
      <SelectField
        label="Detail"
        hint="Straps, studs, trim: how much is on the sculpt."
        options={details.map((value) => ({ value, text: value }))}
        {...detail}
      />
      <TextField
        label="How many per handle"
        hint="1 for a cork each, 5–10 on a long stick."
        inputMode="numeric"
        {...perHolder}
      />
    </div>
  )
}
