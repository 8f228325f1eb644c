import { clsx } from 'clsx'
import {
  useId,
  type InputHTMLAttributes,
  type ReactNode,
  type Ref,
  type SelectHTMLAttributes,
  type TextareaHTMLAttributes,
} from 'react'

interface FrameProps {
  readonly label: string
  readonly hint?: string | undefined
  readonly error?: string | undefined
  readonly className?: string | undefined
  readonly children: (ids: { readonly id: string; readonly describedBy: string | undefined }) => ReactNode
}

/** Label, control, hint and error, tied together for screen readers. */
function FieldFrame({ label, hint, error, className, children }: FrameProps) {
  const id = useId()
  const note = error ?? hint
  return (
    <div className={clsx('grid content-start gap-1', className)}>
      <label htmlFor={id} className="text-sm font-bold">
        {label}
      </label>
      {children({ id, describedBy: note === undefined ? undefined : `${id}-note` })}
      {note === undefined ? null : (
        <p
          id={`${id}-note`}
          role={error === undefined ? undefined : 'alert'}
          className={clsx('text-sm', error === undefined ? 'text-ink-soft' : 'font-bold text-hands')}
        >
          {note}
        </p>
      )}
    </div>
  )
}

export const controlLook =
  'min-h-11 w-full rounded-[3px] border-2 border-rule bg-paper px-2.5 py-1.5 text-ink placeholder:text-ink-soft aria-invalid:border-hands'

type FieldProps = Pick<FrameProps, 'label' | 'hint' | 'error' | 'className'>

interface TextFieldProps extends FieldProps, Omit<InputHTMLAttributes<HTMLInputElement>, 'className'> {
  readonly ref?: Ref<HTMLInputElement>
}

export function TextField({ label, hint, error, className, ...input }: TextFieldProps) {
  return (
    <FieldFrame label={label} hint={hint} error={error} className={className}>
      {({ id, describedBy }) => (
        <input
          id={id}
          className={controlLook}
          aria-invalid={error !== undefined}
          aria-describedby={describedBy}
          autoComplete="off"
          {...input}
        />
      )}
    </FieldFrame>
  )
}

interface TextAreaFieldProps
  extends FieldProps, Omit<TextareaHTMLAttributes<HTMLTextAreaElement>, 'className'> {
  readonly ref?: Ref<HTMLTextAreaElement>
}

export function TextAreaField({ label, hint, error, className, ...input }: TextAreaFieldProps) {
  return (
    <FieldFrame label={label} hint={hint} error={error} className={className}>
      {({ id, describedBy }) => (
        <textarea
          id={id}
          className={controlLook}
          aria-invalid={error !== undefined}
          aria-describedby={describedBy}
          {...input}
        />
      )}
    </FieldFrame>
  )
}

interface SelectFieldProps extends FieldProps, Omit<SelectHTMLAttributes<HTMLSelectElement>, 'className'> {
  readonly options: readonly { readonly value: string; readonly text: string }[]
  readonly ref?: Ref<HTMLSelectElement>
}

export function SelectField({ label, hint, error, className, options, ...select }: SelectFieldProps) {
  return (
    <FieldFrame label={label} hint={hint} error={error} className={className}>
      {({ id, describedBy }) => (
        <select
          id={id}
          className={controlLook}
          aria-invalid={error !== undefined}
          aria-describedby={describedBy}
          {...select}
        >
          {options.map(({ value, text }) => (
            <option key={value} value={value}>
              {text}
            </option>
          ))}
        </select>
      )}
    </FieldFrame>
  )
}

interface CheckProps extends Omit<InputHTMLAttributes<HTMLInputElement>, 'className' | 'type'> {
  readonly label: string
  readonly ref?: Ref<HTMLInputElement>
}

/** A box to tick, or with `kind="radio"` one of several. */
export function CheckField({
  label,
  kind = 'checkbox',
  ...input
}: CheckProps & { readonly kind?: 'checkbox' | 'radio' }) {
  return (
    <label className="inline-flex min-h-11 items-center gap-2 pr-2">
      <input type={kind} className="size-5 shrink-0 accent-ink" {...input} />
      {label}
    </label>
  )
}
