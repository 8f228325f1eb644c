import type { BroughtRate } from '@seriatim/contract'
import { overallPace, rateRows, type LineEstimate } from '@seriatim/core/estimating'
import type { Progress } from '@seriatim/core/progress'
import { Download, Flag } from 'lucide-react'
import { useMemo, useState } from 'react'
import { toast } from 'sonner'
import { useBringRates, useHand } from '../../shared/api/index.ts'
import { BringCsvButton, saveText } from '../../shared/csv/index.ts'
import { plural, decimalText } from '../../shared/format/index.ts'
import { MilestoneDialog } from '../../shared/milestone/index.ts'
import { useCurrentProject } from '../../shared/project/index.ts'
import { useRecorder } from '../../shared/progress/index.ts'
import { RememberForm, useRemember } from '../../shared/remember/index.ts'
import { Button, ErrorState, Figure, Headline, LoadingState } from '../../shared/ui/index.ts'
import { useCurrentFigures } from '../../shared/figures.ts'
import { useEstimated } from '../../shared/worker/index.ts'
import { clockNow } from '../../shared/clock.ts'
import { lapsReader, type ToldLap } from './laps-csv.ts'
import { Lessons } from './Lessons.tsx'
import { ratesCsv, ratesReader } from './rates-csv.ts'
import { RateList } from './RateList.tsx'
import { Surprises } from './Surprises.tsx'
import { WereTheseTimed } from './WereTheseTimed.tsx'
import { TimeList } from './TimeList.tsx'
import { datedObservations, loggedTimes } from './logged-times.ts'

export function LogbookPage() {
  const { progress, sources, error, refetch } = useCurrentFigures()
  const estimate = useEstimated(sources)?.estimate
  if (progress && estimate) return <Logbook progress={progress} estimate={estimate} />
  if (error) return <ErrorState error={error} onRetry={refetch} />
  return <LoadingState what="the logbook" />
}

interface LogbookProps {
  readonly progress: Progress
  readonly estimate: LineEstimate
}

function Logbook({ progress, estimate }: LogbookProps) {
  const project = useCurrentProject()
  const hand = useHand(project.id)
  const bring = useBringRates()
  const [stamping, setStamping] = useState(false)
  const [remembering, setRemembering] = useState(false)
  const remember = useRemember(project)
  const brought = hand.data?.brought ?? []
  const rows = useMemo(
    () => rateRows(datedObservations(hand.data, estimate.observed), estimate.rates),
    [hand.data, estimate],
  )
  const times = useMemo(
    () => loggedTimes(project, hand.data, estimate, progress),
    [project, hand.data, estimate, progress],
  )
  const laps = useMemo(() => lapsReader(project, progress, clockNow), [project, progress])
  const recorder = useRecorder(project)
  const takeLaps = (told: readonly ToldLap[]) => {
    const ids = told.map(({ at, stageIds, modelIds, workSeconds }) =>
      recorder.milestone(stageIds, modelIds, workSeconds, at),
    )
    toast(`${plural(told.length, 'lap')} recorded.`, {
      action: { label: 'Undo', onClick: () => ids.forEach((id) => recorder.undo(id)) },
    })
  }
  const told = times.filter((time) => time.silent === null).length

  const save = () => {
    saveText('rates.csv', ratesCsv(rows))
    toast('Your rates are saved as rates.csv.')
  }
  const take = (rates: readonly BroughtRate[]) => {
    const before = hand.data && { rates: broughtOf(rates, hand.data.brought), putAway: rates }
    const undo = () => bring.mutate({ ...before, said: 'The rates are as they were before the file.' })
    bring.mutate({
      rates,
      said: `${plural(rates.length, 'rate')} brought.`,
      ...(before && { undo }),
    })
  }

  return (
    <>
      <Headline
        sub={
          <p>
            From {plural(told, 'time')} on the clock, stamped or remembered
            {brought.length > 0 ? ` and ${plural(brought.length, 'rate')} brought` : ''}
            {brought.length > 0 ? (
              <Button
                weight="quiet"
                className="px-2! py-0!"
                onClick={() =>
                  bring.mutate({
                    putAway: brought,
                    said: 'The brought rates are put away.',
                    undo: () => bring.mutate({ rates: brought, said: 'The brought rates are back.' }),
                  })
                }
              >
                Put the brought ones away
              </Button>
            ) : null}
          </p>
        }
        actions={
          <>
            <Button weight="main" onClick={() => setStamping(true)}>
              <Flag aria-hidden="true" size={18} /> Log progress
            </Button>
            <Button onClick={() => setRemembering(true)}>A unit I remember</Button>
            <BringCsvButton
              label="Laps from CSV"
              title="Laps from CSV"
              description="Unit, stages (several with + between), how many models, the minutes, and when. It punches the first models that are not through yet and teaches your rates."
              placeholder={'time,unit,stages,models,minutes\n2026-11-24 20:10,Reed-pikes,Prime,6,12'}
              reader={laps}
              what={['lap', 'laps']}
              onTake={takeLaps}
            />
            <BringCsvButton
              label="Rates from CSV"
              title="Rates from CSV"
              description="Technique, size, pace (times the preset) and how many laps stand behind it. A technique and size that was brought before is renewed."
              placeholder={'technique,size,pace,laps\nglaze,foot,1.25,40'}
              reader={ratesReader}
              what={['rate', 'rates']}
              onTake={take}
            />
            <Button onClick={save} disabled={rows.length === 0}>
              <Download aria-hidden="true" size={18} /> Rates as CSV
            </Button>
          </>
        }
      >
        <OverallPace estimate={estimate} told={told + brought.length} />
      </Headline>
      {remembering ? (
        <section className="ticket mb-5 p-4" aria-label="A unit you remember">
          <RememberForm
            project={project}
            leave="Cancel"
            onSave={(unit) => {
              remember(unit)
              setRemembering(false)
            }}
            onLeave={() => setRemembering(false)}
          />
        </section>
      ) : null}
      <WereTheseTimed observed={estimate.observed} />
      <RateList rows={rows} />
      <Surprises estimate={estimate} />
      <Lessons progress={progress} />
      <TimeList times={times} />
      <MilestoneDialog open={stamping} onOpenChange={setStamping} progress={progress} />
    </>
  )
}

/** Those of the same techniques and sizes among what was brought before. */
function broughtOf(rates: readonly BroughtRate[], brought: readonly BroughtRate[]): readonly BroughtRate[] {
  return brought.filter((each) =>
    rates.some(({ technique, size }) => technique === each.technique && size === each.size),
  )
}

/** The hand over everything, as a sentence. */
function OverallPace({ estimate, told }: { readonly estimate: LineEstimate; readonly told: number }) {
  const { low, likely, high } = overallPace(estimate.rates)
  if (told === 0) return <>No lap yet: every estimate is the preset</>
  const share = Math.round(Math.abs(likely - 1) * 100)
  const what =
    share < 3 ? 'about the preset' : `${String(share)} % ${likely > 1 ? 'longer' : 'less'} than the preset`
  return (
    <>
      You take{' '}
      <Figure
        name="Your pace"
        explanation={
          <>
            <p>
              Every lap is compared with its preset, learning and set-up taken out, on the logarithm. What all
              laps have in common is your pace; what a technique, a size or a stage has of its own lies on
              top.
            </p>
            <p className="figures">
              × {decimalText(likely, 2)}, in four cases of five between {decimalText(low, 2)} and{' '}
              {decimalText(high, 2)}
            </p>
            <p>Presets count as a few laps at first; thirty of your own rule. Odd laps count less.</p>
          </>
        }
      >
        {what}
      </Figure>
    </>
  )
}
