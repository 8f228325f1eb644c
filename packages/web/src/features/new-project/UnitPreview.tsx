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
        <ul aria-label="Units">
          {units.map(({ said, unit, method }) => (
            <li key={said.name} className="border-t border-rule">
              <details className="group">
                <summary className="flex min-h-11 cursor-pointer flex-wrap items-center gap-x-2">
                  <b>{said.name}</b>
                  <span className="figures">{countText(said)}</span>
                  <span className="grow text-ink-soft">
                    {[...said.marks, unit.size, unit.standard, methodName(method)].filter(Boolean).join(', ')}
                  </span>
                  <span className="font-bold underline underline-offset-4 group-open:no-underline">
                    Change<span className="sr-only"> {said.name}</span>
                  </span>
                </summary>
                <UnitChoices
                  said={said}
                  unit={unit}
                  method={method}
                  several={units.length > 1}
                  onCorrect={onCorrect}
                />
              </details>
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

function methodName(method: string | null): string {
  return recipeSchools.find(({ id }) => id === method)?.name.toLowerCase() ?? ''
}

interface UnitChoicesProps extends DraftUnit {
  readonly several: boolean
  readonly onCorrect: UnitPreviewProps['onCorrect']
}

function UnitChoices({ said, unit, method, several, onCorrect }: UnitChoicesProps) {
  return (
    <div className="grid grid-cols-2 gap-2 pb-3 sm:grid-cols-3">
      <SelectField
        label="Kind"
        aria-label={`Kind of ${said.name}`}
        value={said.bodyPlan}
        options={bodyPlans.map(({ id, name }) => ({ value: id, text: name.toLowerCase() }))}
        onChange={(event) => onCorrect(said.name, { bodyPlan: event.target.value })}
      />
      <SelectField
        label="Standard"
        aria-label={`Standard of ${said.name}`}
        value={unit.standard}
        options={standards.map((value) => ({ value, text: value }))}
        onChange={(event) => {
          const standard = standards.find((each) => each === event.target.value)
          if (standard) onCorrect(said.name, { standard })
        }}
      />
      {several ? (
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
  )
}
