import { isBegun, isThrough, type Progress } from '@seriatim/core/progress'
import type { Shelf } from '@seriatim/core/recipe'
import type { RunSheet } from '@seriatim/core/plan'
import { takesStage, type Project } from '@seriatim/core/trade'
import { Printer } from 'lucide-react'
import { useState } from 'react'
import { useSearchParams } from 'react-router'
import { useShelf } from '../../shared/api/index.ts'
import { dayText } from '../../shared/format/index.ts'
import { useProgress } from '../../shared/progress/index.ts'
import { useCurrentProject } from '../../shared/project/index.ts'
import { RunSheetTicket } from '../../shared/run-sheet/index.ts'
import { Button, ErrorState, Headline, LoadingState, NothingYet } from '../../shared/ui/index.ts'
import { useCurrentPlan } from '../../shared/current-plan.ts'
import { usePlannedBatches, useRunSheets, useSheetLooks } from '../../shared/worker/index.ts'
import { HandOverSheet } from './HandOverSheet.tsx'
import { RecipeCard } from './RecipeCard.tsx'
import { RoundSheet } from './RoundSheet.tsx'
import { TravellerTicket } from './TravellerTicket.tsx'

const papers = {
  run: 'Run sheet of the next evening',
  tickets: 'Tickets for the trays',
  recipes: 'Recipe cards',
  round: 'Touch-up round',
  'hand-over': 'Hand-over of begun batches',
} as const
type Paper = keyof typeof papers
const isPaper = (name: string): name is Paper => Object.hasOwn(papers, name)

export function PaperPage() {
  const project = useCurrentProject()
  const { progress, error, refetch } = useProgress(project.id)
  const shelf = useShelf()
  if (progress && shelf.data) return <Papers progress={progress} shelf={shelf.data} />
  if (error) return <ErrorState error={error} onRetry={() => void refetch()} />
  if (shelf.error) return <ErrorState error={shelf.error} onRetry={() => void shelf.refetch()} />
  return <LoadingState what="the sheets" />
}

/** What goes to the desk on paper, each on sheets of its own; safe in black and white. */
function Papers({ progress, shelf }: { readonly progress: Progress; readonly shelf: Shelf }) {
  const { project, sources, plan, isPlanned } = useCurrentPlan()
  const sheets = useRunSheets(plan, project)
  const evening = nextEvening(sheets ?? [], project)
  const round = useSheetLooks(sources)?.round
  const batches = usePlannedBatches(project, plan)
  const open = batches.filter((batch) =>
    batch.models.some((model) =>
      project.line.some(
        (stage) => takesStage(stage, batch.unitId, model) && !isThrough(progress, model.id, stage),
      ),
    ),
  )
  const begun = open.filter((batch) => batch.models.some((model) => isBegun(progress, model.id)))
  const [asked] = useSearchParams()
  const [wanted, setWanted] = useState<readonly Paper[]>(() => {
    const print = asked.getAll('print').filter(isPaper)
    return print.length > 0 ? print : ['run', 'tickets']
  })
  const isWanted = (paper: Paper) => wanted.includes(paper)
  if (batches.length === 0 || project.line.length === 0)
    return (
      <NothingYet headline="Nothing to print yet" missing={batches.length === 0 ? 'models' : 'stages'}>
        With a roster and a recipe there are run sheets, tickets for the trays and recipe cards.
      </NothingYet>
    )
  return (
    <>
      <div className="no-print">
        <Headline
          actions={
            <Button weight="main" disabled={wanted.length === 0} onClick={() => window.print()}>
              <Printer aria-hidden="true" size={18} /> Print
            </Button>
          }
          sub={<p>What is chosen is below, as it comes out of the printer; A4 or Letter.</p>}
        >
          On paper
        </Headline>
        <fieldset className="flex flex-wrap gap-x-6">
          <legend className="sr-only">What to print</legend>
          {(Object.keys(papers) as Paper[]).map((paper) => (
            <label key={paper} className="inline-flex min-h-11 items-center gap-2">
              <input
                type="checkbox"
                className="size-5 accent-ink"
                checked={isWanted(paper)}
                onChange={(event) =>
                  setWanted(
                    event.target.checked ? [...wanted, paper] : wanted.filter((each) => each !== paper),
                  )
                }
              />
              {papers[paper]}
            </label>
          ))}
        </fieldset>
      </div>
      {/* As high as the window, so that nothing below moves in view when the evening comes. */}
      {isWanted('run')
        ? evening.map((sheet) => (
            <div
              key={`${String(sheet.session.startsAt)}-${String(sheet.session.painter)}`}
              className="paper-sheet mt-5 not-print:min-h-dvh"
            >
              <RunSheetTicket sheet={sheet} project={project} painters={plan?.painters ?? []} reasons />
            </div>
          ))
        : null}
      {isWanted('run') && evening.length === 0 ? (
        <p role="status" className="no-print mt-5 min-h-dvh">
          {isPlanned && (plan === null || sheets)
            ? 'There is no evening with work ahead.'
            : 'Planning the evening …'}
        </p>
      ) : null}
      {isWanted('tickets')
        ? open.map((batch) => (
            <TravellerTicket key={batch.id} batch={batch} project={project} progress={progress} />
          ))
        : null}
      {isWanted('recipes')
        ? project.units.map((unit) => (
            <RecipeCard key={unit.id} unit={unit} project={project} progress={progress} shelf={shelf} />
          ))
        : null}
      {isWanted('hand-over') ? (
        begun.length > 0 ? (
          begun.map((batch) => (
            <HandOverSheet
              key={batch.id}
              batch={batch}
              batches={batches}
              project={project}
              progress={progress}
              shelf={shelf}
            />
          ))
        ) : (
          <p className="no-print mt-5">No batch is begun.</p>
        )
      ) : null}
      {isWanted('round') ? (
        round && round.length > 0 ? (
          <RoundSheet round={round} project={project} />
        ) : (
          <p role="status" className="no-print mt-5">
            {round ? 'No touch-up waits.' : 'Gathering the touch-ups …'}
          </p>
        )
      ) : null}
    </>
  )
}

/** A sheet for everybody who has work on the first evening with any. */
function nextEvening(sheets: readonly RunSheet[], { evenings: { timeZone } }: Project): readonly RunSheet[] {
  const dayOf = ({ session }: RunSheet) => dayText(session.startsAt, timeZone)
  return sheets.filter((sheet, at) => at === 0 || (sheets[0] && dayOf(sheet) === dayOf(sheets[0])))
}
