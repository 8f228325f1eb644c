import { type DryingEntry, type Feel, type Outcome, outcomes } from '@seriatim/core/progress'
import { stageNameFor } from '@seriatim/core/ordering'
import { batchName } from '@seriatim/core/trade'
import { Volume2, VolumeX } from 'lucide-react'
import { useCallback, useMemo } from 'react'
import { callOut, useSound } from '../../shared/call-out.ts'
import { useCurrentProject } from '../../shared/project/index.ts'
import { clockText, plural } from '../../shared/format/index.ts'
import { Button, PunchHole } from '../../shared/ui/index.ts'
import { useDue } from '../../shared/use-due.ts'
import { useNow } from '../../shared/use-now.ts'
import { Countdown } from './Countdown.tsx'

interface DryingShelfProps {
  readonly shelf: readonly DryingEntry[]
  /** What was still drying a little while ago, and should be dry now. */
  readonly justDry: readonly DryingEntry[]
  readonly timeZone: string
  readonly onFeel: (entry: DryingEntry, feels: Feel) => void
  readonly onWent: (entry: DryingEntry, outcome: Outcome) => void
  readonly onDry: () => void
}

/** What is drying, the soonest dry first, counting down; a finger on it knows better, and teaches the wait. */
export function DryingShelf({ shelf, justDry, timeZone, onFeel, onWent, onDry }: DryingShelfProps) {
  const now = useNow(10)
  const [sound, setSound] = useSound()
  const dries = useMemo(
    () =>
      shelf.map((entry) => ({
        key: keyOf(entry),
        at: entry.until,
        what: `${batchName(entry.batch)}: dry after ${entry.stage.name.toLowerCase()}.`,
      })),
    [shelf],
  )
  useDue(
    dries,
    useCallback(
      ({ what }: { readonly what: string }) => {
        callOut(what)
        onDry()
      },
      [onDry],
    ),
  )
  return (
    <section aria-labelledby="drying">
      <div className="flex items-center justify-between gap-2">
        <h2 id="drying" className="text-2xl">
          Drying
        </h2>
        <Button weight="quiet" className="px-2!" aria-pressed={sound} onClick={() => setSound(!sound)}>
          {sound ? <Volume2 aria-hidden="true" size={18} /> : <VolumeX aria-hidden="true" size={18} />}
          {sound ? 'Sound on' : 'Sound off'}
        </Button>
      </div>
      {shelf.length === 0 ? <p className="mt-1 text-ink-soft">Nothing is wet.</p> : null}
      <ul className="mt-2 grid gap-2">
        {shelf.map((entry) => {
          return (
            <li key={keyOf(entry)} className="ticket px-4 py-2.5">
              <div className="flex items-center gap-3">
                <PunchHole
                  state={{ kind: 'drying', since: entry.since, until: entry.until }}
                  now={now}
                  size={40}
                />
                <What entry={entry} />
                <span className="text-right text-drying">
                  <span className="figures block text-xl">
                    <Countdown until={entry.until} />
                  </span>
                  <span className="figures text-sm">{clockText(entry.until, timeZone)}</span>
                </span>
              </div>
              <div className="flex flex-wrap items-center justify-between gap-x-3">
                <FeelButton entry={entry} feels="dry" onFeel={onFeel} />
                <WentField entry={entry} onWent={onWent} />
              </div>
            </li>
          )
        })}
        {justDry.map((entry) => (
          <li key={keyOf(entry)} className="ticket flex flex-wrap items-center gap-x-3 px-4 py-1.5 text-sm">
            <span className="min-w-0 grow basis-40">
              <What entry={entry} />
            </span>
            <span className="text-done">dry since {clockText(entry.until, timeZone)}</span>
            <FeelButton entry={entry} feels="tacky" onFeel={onFeel} />
            <WentField entry={entry} onWent={onWent} />
          </li>
        ))}
      </ul>
    </section>
  )
}

const keyOf = (entry: DryingEntry) => `${entry.batch.id} ${entry.stage.id}`

function What({ entry }: { readonly entry: DryingEntry }) {
  const { recipes } = useCurrentProject()
  const stage = stageNameFor(entry.stage, recipes, [entry.batch.unitId])
  return (
    <span className="min-w-0 grow leading-tight">
      <b>{batchName(entry.batch)}</b>
      <span className="block text-sm text-ink-soft">
        {stage.toLowerCase()}, {plural(entry.modelIds.length, 'model')}
      </span>
    </span>
  )
}

const outcomeText: Readonly<Record<Outcome, string>> = {
  covered: 'covered at once',
  'another coat': 'another coat for all',
  stained: 'it stained',
  pooled: 'it pooled',
  lifted: 'it lifted what lay under it',
}

/** What the paint did, in one choice: it teaches what this pot does, and another coat is to do again. */
function WentField({
  entry,
  onWent,
}: {
  readonly entry: DryingEntry
  readonly onWent: DryingShelfProps['onWent']
}) {
  if (entry.stage.material === '') return null
  return (
    <select
      aria-label={`How it went: ${batchName(entry.batch)}, ${entry.stage.name}`}
      className="min-h-11 max-w-44 bg-transparent text-sm font-bold underline underline-offset-4"
      value=""
      onChange={(event) => {
        const outcome = outcomes.find((each) => each === event.target.value)
        if (outcome) onWent(entry, outcome)
      }}
    >
      <option value="">How did it go?</option>
      {outcomes.map((outcome) => (
        <option key={outcome} value={outcome}>
          {outcomeText[outcome]}
        </option>
      ))}
    </select>
  )
}

const feelText: Readonly<Record<Feel, string>> = { dry: 'Dry already', tacky: 'Still tacky' }

function FeelButton({
  entry,
  feels,
  onFeel,
}: {
  readonly entry: DryingEntry
  readonly feels: Feel
  readonly onFeel: DryingShelfProps['onFeel']
}) {
  return (
    <Button
      weight="quiet"
      className="px-2!"
      aria-label={`${feelText[feels]}: ${batchName(entry.batch)}, ${entry.stage.name}`}
      onClick={() => onFeel(entry, feels)}
    >
      {feelText[feels]}
    </Button>
  )
}
