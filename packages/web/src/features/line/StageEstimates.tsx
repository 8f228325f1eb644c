import type { LineEstimate, StageEstimate } from '@seriatim/core/estimating'
import type { Stage, TypedTime, Unit } from '@seriatim/core/trade'
import { useState } from 'react'
import { rangeText, stopwatchText } from '../../shared/format/index.ts'
import { Button } from '../../shared/ui/index.ts'
import { EstimateWhy } from './EstimateWhy.tsx'
import { TypedTimeForm } from './TypedTimeForm.tsx'

interface StageEstimatesProps {
  readonly stage: Stage
  readonly units: readonly Unit[]
  readonly estimate: LineEstimate
  readonly onSave: (stage: Stage) => void
}

const sourceText = {
  typed: 'typed',
  laps: 'your laps',
  remembered: 'what you remember',
  preset: 'preset',
  written: 'written on the stage',
} as const

/** Minutes a model by unit: likely, 80 % range, where from; opened, how it came about. */
export function StageEstimates({ stage, units, estimate, onSave }: StageEstimatesProps) {
  const [open, setOpen] = useState<{ readonly unitId: string; readonly what: 'why' | 'type' } | null>(null)
  const own = estimate.stages.filter(({ work }) => work.stageId === stage.id)
  if (own.length === 0) return null
  const longest = Math.max(1, ...own.map(({ perModel }) => perModel.high))
  const toggle = (unitId: string, what: 'why' | 'type') =>
    setOpen(open?.unitId === unitId && open.what === what ? null : { unitId, what })
  const put = (unit: Unit, typed: TypedTime | null) => {
    const others = stage.typed.filter((each) => each.unitId !== unit.id)
    onSave({ ...stage, typed: typed ? [...others, typed] : others })
    setOpen(null)
  }
  return (
    <section className="border-t-2 border-dashed border-paper-edge p-4" aria-label="Minutes a model, by unit">
      <h3 className="font-bold">Minutes a model, and where they come from</h3>
      <ul className="mt-1">
        {own.map((each) => {
          const unit = units.find(({ id }) => id === each.work.unitId)
          if (!unit) return null
          const isOpen = open?.unitId === unit.id
          return (
            <li key={unit.id} className="border-t border-paper-edge py-1 first:border-0">
              <div className="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-x-4 sm:grid-cols-[minmax(0,1fr)_9rem_4rem_8rem_8rem_auto]">
                <span className="truncate font-bold">{unit.name}</span>
                <RangeBar stage={each} longest={longest} />
                <span className="figures text-right font-bold">{stopwatchText(each.perModel.likely)}</span>
                <span className="figures text-sm text-ink-soft">{rangeText(each.perModel)}</span>
                <span className="text-sm text-ink-soft">{sourceText[each.source]}</span>
                <span className="flex justify-end">
                  <Button
                    weight="quiet"
                    className="px-2!"
                    aria-expanded={isOpen && open.what === 'why'}
                    aria-label={`How the minutes of ${unit.name} came about`}
                    onClick={() => toggle(unit.id, 'why')}
                  >
                    Why
                  </Button>
                  <Button
                    weight="quiet"
                    className="px-2!"
                    aria-expanded={isOpen && open.what === 'type'}
                    aria-label={`Type the minutes of ${unit.name}`}
                    onClick={() => toggle(unit.id, 'type')}
                  >
                    Enter my own time
                  </Button>
                </span>
              </div>
              {isOpen && open.what === 'why' ? (
                <div className="mb-2 border-l-4 border-rule pl-3">
                  <EstimateWhy stage={each} />
                </div>
              ) : null}
              {isOpen && open.what === 'type' ? (
                <TypedTimeForm unit={unit} estimate={each} onSave={(typed) => put(unit, typed)} />
              ) : null}
            </li>
          )
        })}
      </ul>
    </section>
  )
}

/** Where the likely time lies in its range, on the scale of the stage's longest. */
function RangeBar({ stage, longest }: { readonly stage: StageEstimate; readonly longest: number }) {
  const { low, likely, high } = stage.perModel
  const at = (seconds: number) => 4 + (136 * seconds) / longest
  return (
    <svg viewBox="0 0 144 16" className="hidden h-4 w-36 sm:block" aria-hidden="true">
      <line x1="4" x2="140" y1="8" y2="8" className="stroke-paper-edge" strokeWidth="1" />
      <line x1={at(low)} x2={at(high)} y1="8" y2="8" className="stroke-ink" strokeWidth="3" />
      <circle cx={at(likely)} cy="8" r="4.5" className="fill-paper stroke-ink" strokeWidth="2.5" />
    </svg>
  )
}
