import {
  applyOffer,
  followedRecipes,
  isSameLine,
  lineDifference,
  mendProject,
  orderWeights,
  type LineFinding,
  type LineOrder,
  type OrderWeight,
  type SamenessOffer,
} from '@seriatim/core/ordering'
import type { Progress } from '@seriatim/core/progress'
import type { Shelf } from '@seriatim/core/recipe'
import type { Stage } from '@seriatim/core/trade'
import { useState, type ReactNode } from 'react'
import { v7 } from 'uuid'
import { useShelf } from '../../shared/api/index.ts'
import { FindingList } from '../../shared/finding-list.tsx'
import { plural } from '../../shared/format/index.ts'
import { useEdit, withUnit, type ShownProject } from '../../shared/project/index.ts'
import { useProgress } from '../../shared/progress/index.ts'
import { OrderReasons } from './OrderReasons.tsx'
import { Button, CheckField, LoadingState } from '../../shared/ui/index.ts'
import {
  useLineFindings,
  useLineOfOrder,
  useOrder,
  useOrderingInput,
  useSamenessOffers,
} from '../../shared/worker/index.ts'

const nothing: readonly LineFinding[] = []

interface OrderFromRecipesProps {
  readonly project: ShownProject
  readonly onTake: (line: readonly Stage[], said: string) => void
  /** What lies below it. */
  readonly children?: ReactNode
}

/**
 * What the recipes come to as a line, and what is wrong with the line as it stands. What lies below waits for that, so that
 * it stays where it is.
 */
export function OrderFromRecipes(props: OrderFromRecipesProps) {
  const shelf = useShelf()
  if (followedRecipes(props.project).length === 0) return props.children
  if (shelf.data) return <Ordered {...props} shelf={shelf.data} />
  return shelf.error ? props.children : <LoadingState what="the order" isPart />
}

function Ordered({ project, onTake, shelf, children }: OrderFromRecipesProps & { readonly shelf: Shelf }) {
  const [weight, setWeight] = useState<OrderWeight>('fewest pots')
  const { recipes, units } = project
  const input = useOrderingInput(project, shelf, weight)
  const order = useOrder(input)
  const offers = useSamenessOffers(input, order.isPlaceholderData ? undefined : order.data)
  const edit = useEdit()
  const accept = (offer: SamenessOffer) =>
    edit(
      project,
      { ...project, recipes: recipes.map((recipe) => applyOffer(recipe, offer)) },
      'The offer is taken up in the recipe.',
    )
  const findings = useLineFindings(input, project)
  const found = order.data

  return (
    <>
      <section className="ticket mb-5 p-4 lg:min-h-42" aria-labelledby="from-recipes">
        <h2 id="from-recipes" className="text-xl">
          {found ? headlineOf(found) : 'Ordering the recipes …'}
        </h2>
        <div
          className="mt-2 flex flex-wrap items-center gap-x-4"
          role="radiogroup"
          aria-label="What matters most"
        >
          {orderWeights.map((each) => (
            <CheckField
              key={each}
              kind="radio"
              name="weight"
              label={each}
              checked={weight === each}
              onChange={() => setWeight(each)}
            />
          ))}
          {found && !order.isPlaceholderData ? (
            <TakeButton found={found} project={project} shelf={shelf} onTake={onTake} />
          ) : null}
        </div>
        {found ? (
          <OrderReasons
            found={found}
            units={units}
            offers={offers.data ?? []}
            weighing={offers.isFetching}
            onAccept={accept}
            onPaintTo={(unit, standard) =>
              edit(
                project,
                withUnit(project, { ...unit, standard }),
                `${unit.name} is painted to ${standard}.`,
              )
            }
          />
        ) : null}
      </section>
      <FindingList
        findings={findings ?? nothing}
        onMend={(finding) =>
          edit(
            project,
            mendProject(project, shelf, finding, v7),
            finding.inRecipe ? 'Mended in the recipe and the stage order.' : 'The stage is moved.',
          )
        }
      />
      {findings ? children : <LoadingState what="the stages" isPart />}
    </>
  )
}

function headlineOf(found: LineOrder): string {
  const best = found.proven ? 'proved to be the best order' : 'the best order found'
  return `The recipes come to ${plural(found.stages.length, 'stage')}: ${plural(found.merged, 'step')} share a pot, ${best}`
}

/** `The recipes come to another row: 2 new (wash, rim), 1 moved (edge).` */
function differenceText({ fresh, leaving, moved, changed }: ReturnType<typeof lineDifference>): string {
  const parts = [
    [fresh, 'new'],
    [leaving, 'leaving'],
    [moved, 'moved'],
    [changed, 'done otherwise'],
  ] as const
  const said = parts.flatMap(([stages, how]) =>
    stages.length === 0 ? [] : [`${String(stages.length)} ${how} (${namesOf(stages)})`],
  )
  return `Against the stages as they stand: ${said.join(', ')}.`
}

function namesOf(stages: readonly Stage[]): string {
  const names = stages.slice(0, 2).map((stage) => stage.name.toLowerCase())
  return stages.length > 2 ? `${names.join('; ')} …` : names.join('; ')
}

function hasMarks(progress: Progress | undefined, stage: Stage): boolean {
  return [...(progress?.marks.values() ?? [])].some((marks) => marks.has(stage.id))
}

interface TakeButtonProps extends OrderFromRecipesProps {
  readonly found: LineOrder
  readonly shelf: Shelf
}

function TakeButton({ found, project, shelf, onTake }: TakeButtonProps) {
  const { progress } = useProgress(project.id)
  const next = useLineOfOrder(found, project, shelf)
  if (!next) return null
  if (isSameLine(project.line, next)) {
    return <p className="ml-auto font-bold text-done">The stages follow this order.</p>
  }
  if (project.line.length === 0) return null
  const difference = lineDifference(project.line, next)
  const { leaving } = difference
  const begun = leaving.filter((stage) => hasMarks(progress, stage))
  return (
    <div className="ml-auto flex flex-wrap items-center justify-end gap-3">
      <p className="max-w-md text-sm text-ink-soft">{differenceText(difference)}</p>
      {begun.length > 0 ? (
        <p className="text-sm text-ink-soft">
          {plural(begun.length, 'stage')} that models have been through would leave the stage order;{' '}
          {begun.length === 1 ? 'its' : 'their'} record stays.
        </p>
      ) : null}
      <Button
        onClick={() =>
          onTake(
            next,
            leaving.length > 0
              ? `The stages follow the recipes; ${plural(leaving.length, 'stage')} left it.`
              : 'The stages follow the recipes.',
          )
        }
      >
        Take this order
      </Button>
    </div>
  )
}
