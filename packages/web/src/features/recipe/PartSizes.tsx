import { sizes, type SubAssembly } from '@seriatim/core/trade'
import { SelectField, TextField } from '../../shared/ui/index.ts'

interface PartSizesProps {
  /** What is painted apart. */
  readonly names: readonly string[]
  readonly parts: readonly SubAssembly[]
  /** `null`: as large as the model says. */
  readonly onChange: (name: string, part: SubAssembly | null) => void
}

const likeTheModel = 'its share of the model'

/** How large a rider or a crew is by itself, and how many of it there are. */
export function PartSizes({ names, parts, onChange }: PartSizesProps) {
  return (
    <fieldset className="mt-4 border-t border-paper-edge pt-3">
      <legend className="sr-only">Sizes of what is painted apart</legend>
      {names.map((name) => {
        const part = parts.find((each) => each.name === name)
        return (
          <div key={name} className="grid grid-cols-[1fr_2fr_1fr] items-end gap-3">
            <span className="pb-2 font-bold">{name}</span>
            <SelectField
              label={`Size of the ${name}`}
              value={part?.size ?? likeTheModel}
              onChange={(event) => {
                const size = event.target.value
                const known = sizes.find((each) => each === size)
                onChange(name, known ? { name, size: known, count: part?.count ?? 1 } : null)
              }}
              options={[likeTheModel, ...sizes].map((each) => ({ value: each, text: each }))}
            />
            {part ? (
              <TextField
                label="On one model"
                inputMode="numeric"
                value={String(part.count)}
                onChange={(event) => {
                  const count = Number(event.target.value)
                  if (Number.isSafeInteger(count) && count >= 1 && count <= 50)
                    onChange(name, { ...part, count })
                }}
              />
            ) : null}
          </div>
        )
      })}
    </fieldset>
  )
}
