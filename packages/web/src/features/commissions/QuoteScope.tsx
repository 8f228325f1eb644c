interface QuoteScopeProps {
  readonly onlyLeft: boolean
  readonly onChoose: (onlyLeft: boolean) => void
}

/** Of a job that is begun: whether all of it is quoted, or what is left. */
export function QuoteScope({ onlyLeft, onChoose }: QuoteScopeProps) {
  const choice = (value: boolean, name: string) => (
    <label className="inline-flex min-h-11 items-center gap-2">
      <input
        type="radio"
        name="scope"
        className="size-5 accent-ink"
        checked={onlyLeft === value}
        onChange={() => onChoose(value)}
      />
      {name}
    </label>
  )
  return (
    <fieldset className="mt-1 flex flex-wrap gap-x-6">
      <legend className="sr-only">What is quoted</legend>
      {choice(false, 'All of it, what is done too')}
      {choice(true, 'What is left to be painted')}
    </fieldset>
  )
}
