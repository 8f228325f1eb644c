import type { FigureSources } from '@seriatim/core/estimating'
import {
  applyMend,
  followersOf,
  modelsTaking,
  takersAmong,
  type Finding,
  type JudgementCall,
} from '@seriatim/core/ordering'
import { potsFor, recipeSchools, stepsFor, type Shelf } from '@seriatim/core/recipe'
import { plainStep, type Project, type Recipe, type RuleId, type Step } from '@seriatim/core/trade'
import type { StepId, UnitId } from '@seriatim/core/units'
import { Copy, Download, Plus, Trash2 } from 'lucide-react'
import { useMemo, useState, type ReactNode } from 'react'
import { v7 } from 'uuid'
import { FindingList, type FindingOfModels } from '../../shared/finding-list.tsx'
import { durationText, plural } from '../../shared/format/index.ts'
import { LessonsAgain } from '../../shared/lessons.tsx'
import { Button, Headline, IconButton, LoadingState } from '../../shared/ui/index.ts'
import type { Cut } from '../../shared/recipe-cut.ts'
import { useCut, useFindings } from '../../shared/worker/index.ts'
import { Doubts } from './Doubts.tsx'
import { FromAMetre } from './FromAMetre.tsx'
import { JudgementCalls } from './JudgementCalls.tsx'
import { NotesDialog } from './NotesDialog.tsx'
import { PaintCut } from './PaintCut.tsx'
import { Preferences } from './Preferences.tsx'
import { RegionsDialog } from './RegionsDialog.tsx'
import { StepEditor } from './StepEditor.tsx'
import { Unpainted } from './Unpainted.tsx'
import { Versions } from './Versions.tsx'

interface OneRecipeProps {
  readonly sources: FigureSources | undefined
  readonly project: Project
  readonly recipe: Recipe
  readonly shelf: Shelf
  /** As the line has it; `null` while it is not on the line, `undefined` until that is worked out. */
  readonly secondsAModel: number | null | undefined
  readonly picker: ReactNode
  /** What changes mean for models half-way. */
  readonly underWay: ReactNode
  readonly onChange: (recipe: Recipe, said: string) => void
  readonly onFollow: (unitId: UnitId, follows: boolean) => void
  readonly onCopy: () => void
  /** As a file, with the materials it is made of. */
  readonly onWrite: () => void
  /** The recipe with the other answer; where single models are to take a colour, the units change too. */
  readonly onJudged: (call: JudgementCall) => void
  readonly onSpread: (step: Step, count: number) => void
  readonly onRepeat?: () => void
  readonly onRemove: () => void
}

const nothing: readonly FindingOfModels[] = []

/** One recipe: its figures, what is wrong with it, its cut, and its ways. */
export function OneRecipe({
  project,
  recipe,
  shelf,
  sources,
  secondsAModel,
  picker,
  underWay,
  onChange,
  onFollow,
  onCopy,
  onWrite,
  onJudged,
  onSpread,
  onRepeat,
  onRemove,
}: OneRecipeProps) {
  const [openId, setOpenId] = useState<StepId | null>(null)
  const [regionsOpen, setRegionsOpen] = useState(false)
  const [notesOpen, setNotesOpen] = useState(false)
  const cut = useCut(recipe, shelf)
  const { units } = project
  const followers = useMemo(() => followersOf(recipe, { units }), [recipe, units])
  const following = useMemo(() => units.filter((unit) => recipe.unitIds.includes(unit.id)), [recipe, units])
  const found = useFindings(recipe, shelf, followers)
  const findings = found ?? nothing
  const onLine = project.line.filter((stage) => stage.steps.some(({ recipeId }) => recipeId === recipe.id))
  const marked = new Set(findings.flatMap((finding) => finding.stepIds.slice(0, 1)))
  const step = recipe.steps.find((each) => each.id === openId)
  const asked = following.map((unit) => unit.standard)
  const taken = new Set(stepsFor(recipe, asked).map(({ id }) => id))

  const withSteps = (steps: readonly Step[], said = '') => onChange({ ...recipe, steps }, said)
  const mend = (finding: Finding) => {
    if (finding.mend) onChange(applyMend(recipe, finding.mend, v7), 'Mended.')
  }
  const silence = (rule: RuleId) =>
    onChange(
      { ...recipe, silenced: [...recipe.silenced, { rule, note: 'Meant so.' }] },
      `Rule ${rule} is silent for this recipe.`,
    )
  const add = () => {
    const made = newStep(recipe)
    withSteps([...recipe.steps, made])
    setOpenId(made.id)
  }

  // What is found wrong stands above the layers: they wait for it, and stay where they are.
  if (!cut || !found) return <LoadingState what="the recipe" />
  return (
    <>
      <Headline
        sub={subOf(
          recipe,
          followers.map((unit) => unit.name),
        )}
        actions={
          <>
            <Button weight="main" onClick={add}>
              <Plus aria-hidden="true" size={18} /> Add a layer
            </Button>
            <Button onClick={() => setRegionsOpen(true)}>Regions</Button>
            <Button onClick={() => setNotesOpen(true)}>As text</Button>
            {onRepeat && followers.length > 0 ? <Button onClick={onRepeat}>Repeat as done</Button> : null}
            <IconButton label={`Copy the recipe ${recipe.name}`} onClick={onCopy}>
              <Copy aria-hidden="true" size={20} />
            </IconButton>
            <IconButton label={`Write the recipe ${recipe.name} to a file`} onClick={onWrite}>
              <Download aria-hidden="true" size={20} />
            </IconButton>
            <IconButton label={`Put the recipe ${recipe.name} away`} onClick={onRemove}>
              <Trash2 aria-hidden="true" size={20} />
            </IconButton>
          </>
        }
      >
        {headlineOf(recipe, cut, followers, secondsAModel)}
      </Headline>
      <div className="mb-5">{picker}</div>
      {underWay}
      <FindingList findings={findings} onMend={mend} onSilence={({ rule }) => silence(rule)} />
      <Doubts recipe={recipe} shelf={shelf} onChange={onChange} onOpen={setOpenId} />
      <Unpainted recipe={recipe} onChange={onChange} />
      <PaintCut
        cut={cut}
        openId={openId}
        onOpen={setOpenId}
        marked={marked}
        taken={taken}
        editor={
          step ? (
            <StepEditor
              key={step.id}
              recipe={recipe}
              step={step}
              shelf={shelf}
              onChange={(changed) =>
                withSteps(recipe.steps.map((each) => (each.id === changed.id ? changed : each)))
              }
              takers={takersAmong(followers, project.batchSize)(step)}
              onSpread={(count) => onSpread(step, count)}
              onMove={(by) => withSteps(moved(recipe.steps, step.id, by))}
              onRemove={() => {
                withSteps(
                  recipe.steps.filter((each) => each.id !== step.id),
                  'The layer is taken out.',
                )
                setOpenId(null)
              }}
            />
          ) : null
        }
      />
      <Preferences recipe={recipe} units={units} onChange={onChange} onFollow={onFollow} />
      <Versions
        key={recipe.id}
        recipe={recipe}
        shelf={shelf}
        timeZone={project.evenings.timeZone}
        onChange={onChange}
      />
      <FromAMetre recipe={recipe} units={following} sources={sources} onChange={onChange} />
      {/* Last, since it comes when it is worked out: what stands above stays under the pointer. */}
      <JudgementCalls
        recipe={recipe}
        units={following}
        sources={sources}
        onTake={onJudged}
        onSilence={silence}
      />
      <LessonsAgain stages={onLine} />
      {notesOpen ? (
        <NotesDialog
          recipe={recipe}
          shelf={shelf}
          onClose={() => setNotesOpen(false)}
          onSave={(changed) => {
            onChange(changed, 'The recipe is as you wrote it.')
            setNotesOpen(false)
          }}
        />
      ) : null}
      {regionsOpen ? (
        <RegionsDialog
          recipe={recipe}
          open
          onOpenChange={setRegionsOpen}
          onSave={(changed) => {
            onChange(changed, 'The regions are saved.')
            setRegionsOpen(false)
          }}
        />
      ) : null}
    </>
  )
}

function headlineOf(
  recipe: Recipe,
  cut: Cut,
  units: ReturnType<typeof followersOf>,
  onLine: number | null | undefined,
): string {
  const followed = units.map((unit) => unit.standard)
  const counts = `${plural(stepsFor(recipe, followed).length, 'layer')}, ${plural(potsFor(recipe, followed).size, 'pot')}`
  // No longer than what comes in its place: the page stays where it is.
  if (onLine === undefined) return `${counts}, …`
  if (onLine !== null) return `${counts}, ${durationText(onLine)} a model`
  const models = units.reduce((sum, unit) => sum + unit.models.length, 0)
  // A layer that few models take weighs as much as they do.
  const share = (step: Step) => (models > 0 ? modelsTaking([step], units) / models : 1)
  const each = cut.layers.reduce(
    (sum, { facts }) => sum + facts.handsOnSecondsPerModel * share(facts.step),
    0,
  )
  return `${counts}, about ${durationText(each)} a foot model`
}

function subOf(recipe: Recipe, units: readonly string[]): string {
  const school = recipeSchools.find((each) => each.id === recipe.school)?.name ?? 'own way'
  return `School: ${school.toLowerCase()} · ${units.length > 0 ? `for ${units.join(', ')}` : 'no unit follows it yet'}`
}

/** On top of all, on the largest region. */
function newStep(recipe: Recipe): Step {
  const [first] = [...recipe.regions].sort((a, b) => b.areaShare - a.areaShare)
  return {
    id: v7() as StepId,
    on: first ? [first.name] : 'whole',
    mix: [],
    technique: 'base coat',
    ...plainStep,
  }
}

function moved(steps: readonly Step[], id: StepId, by: -1 | 1): readonly Step[] {
  const from = steps.findIndex((step) => step.id === id)
  const to = from + by
  const [step, other] = [steps[from], steps[to]]
  if (!step || !other) return steps
  return steps.with(from, other).with(to, step)
}
