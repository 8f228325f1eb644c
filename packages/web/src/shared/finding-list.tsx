import { mendText, type Finding } from '@seriatim/core/ordering'
import { clsx } from 'clsx'
import { durationText } from './format/index.ts'
import { Button } from './ui/index.ts'

/** A finding and how many models are painted by its recipe. */
export type FindingOfModels = Finding & { readonly models: number }

interface FindingListProps<F extends FindingOfModels> {
  readonly findings: readonly F[]
  readonly onMend: (finding: F) => void
  readonly onSilence?: (finding: F) => void
}

const edges: Readonly<Record<Finding['severity'], string>> = {
  spoils: 'border-l-hands',
  wastes: 'border-l-touch-up',
  'your call': 'border-l-done',
}

/** What is wrong, why, what it costs, and a button that mends it. */
export function FindingList<F extends FindingOfModels>({ findings, onMend, onSilence }: FindingListProps<F>) {
  if (findings.length === 0) return null
  return (
    <ul aria-label="Findings" className="mb-5 grid gap-2 lg:grid-cols-2">
      {findings.map((finding) => (
        <li
          key={`${finding.rule} ${finding.stepIds.join()} ${finding.reason}`}
          className={clsx('ticket border-l-8 p-4', edges[finding.severity])}
        >
          <p>
            <b>{finding.severity === 'your call' ? 'Your call' : `This ${finding.severity}`}.</b>{' '}
            {finding.reason}
          </p>
          <p className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-1 text-sm text-ink-soft">
            <span>
              rule {finding.rule}
              {finding.secondsAtStake > 0
                ? `; about ${durationText(finding.secondsAtStake * Math.max(1, finding.models))} at stake`
                : ''}
            </span>
            {finding.mend !== null ? (
              <Button weight="quiet" className="px-1!" onClick={() => onMend(finding)}>
                {mendText(finding.mend)}
              </Button>
            ) : null}
            {onSilence ? (
              <Button weight="quiet" className="px-1!" onClick={() => onSilence(finding)}>
                I mean it
              </Button>
            ) : null}
          </p>
        </li>
      ))}
    </ul>
  )
}
