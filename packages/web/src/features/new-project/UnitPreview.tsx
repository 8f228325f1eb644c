import { modelsOf } from '@seriatim/core/notes'
import { bodyPlans, recipeSchools } from '@seriatim/core/recipe'
import { standards } from '@seriatim/core/trade'
import { plural } from '../../shared/format/index.ts'
import { SelectField } from '../../shared/ui/index.ts'
import { countText, type Correction, type DraftUnit } from './draft.ts'

interface UnitPreviewProps {
  readonly units: readonly DraftUnit[]
  readonly questions: readonly string[]
  readonly onCorrect: (unit: string, correction: Correction) => void
}

/** What was understood of what was typed, each unit to be put right at its place. */
export function UnitPreview({ units, questions, onCorrect }: UnitPreviewProps) {
  const models = units.reduce((sum, { said }) => sum + modelsOf(said), 0)
  return (
    <div className="grid gap-2">
      {questions.map((question) => (
        <p key={question} role="alert" className="text-sm font-bold text-hands">
          {question}
        </p>
      ))}
      {units.length > 0 ? (
        <ul aria-label="Units" className="grid gap-3">
          {units.map(({ said, unit, method }) => (
            <li key={said.name} className="grid gap-1 border-t border-rule pt-2">
              <p>
                <b>{said.name}</b>: <span className="figures">{countText(said)}</span>
                {said.marks.length > 0 ? `, ${said.marks.join(', ')}` : ''}
                <span className="text-ink-soft"> · {unit.size}</span>
              </p>
              <div className="grid grid-cols-2 gap-2 sm:grid-cols-3">
                <SelectField
                  label="Kind"
                  aria-label={`Kind of ${said.name}`}
                  value={said.bodyPlan}
                  options={bodyPlans.map(({ id, name }) => ({ value: id, text: name.toLowerCase() }))}
                  onChange={(event) => onCorrect(said.name, { bodyPlan: event.target.value })}
                />
                <SelectField
                  label="How good"
                  aria-label={`How good ${said.name} shall be`}
                  value={unit.standard}
                  options={standards.map((value) => ({ value, text: value }))}
                  onChange={(event) => {
                    const standard = standards.find((each) => each === event.target.value)
                    if (standard) onCorrect(said.name, { standard })
                  }}
                />
                {units.length > 1 ? (
                  <SelectField
                    label="Method"
                    aria-label={`Method for ${said.name}`}
                    className="col-span-2 sm:col-span-1"
                    value={method ?? ''}
                    options={[
                      { value: '', text: 'as all' },
                      ...recipeSchools.map(({ id, name }) => ({ value: id, text: name.toLowerCase() })),
                    ]}
                    onChange={(event) => onCorrect(said.name, { method: event.target.value || null })}
                  />
                ) : null}
              </div>
            </li>
          ))}
        </ul>
      ) : null}
      {units.length > 1 ? (
        <p className="border-t-2 border-ink pt-1 font-bold">{plural(models, 'model')} in all</p>
      ) : null}
    </div>
  )
}
