import { planProblemText, type PlanProblem } from '@seriatim/core/plan'
import { Link } from 'react-router'
import { EmptyState, Headline } from '../../shared/ui/index.ts'
import { PlanControls } from './PlanControls.tsx'

/** Where a problem is mended; on the line where it is not said. */
const wayOut: Partial<Record<PlanProblem['kind'], string>> = {
  'no-models': 'roster',
  'joined-in-a-circle': 'roster',
  'all-done': 'bench',
  'no-sessions': 'sessions',
  'nobody-may': 'sessions',
  'no-session-in-spray-hours': 'sessions',
  'batch-over-rack': 'sessions',
  'cannot-all-hold': 'sessions',
}

/** Why there is no plan, and where that is mended. */
export function NoPlan({ problem }: { readonly problem: PlanProblem }) {
  const { kind } = problem
  const way = wayOut[kind] ?? 'line'
  return (
    <>
      <Headline actions={<PlanControls />}>
        {kind === 'all-done'
          ? 'Everything is painted'
          : kind === 'no-models' || kind === 'no-stages'
            ? 'Nothing to plan yet'
            : 'No plan holds'}
      </Headline>
      <EmptyState
        title={kind === 'all-done' ? 'Well done' : 'What is missing'}
        actions={
          <Link to={`../${way}`} className="text-lg font-bold underline underline-offset-4">
            To the {way}
          </Link>
        }
      >
        <p>{planProblemText(problem)}</p>
      </EmptyState>
    </>
  )
}
