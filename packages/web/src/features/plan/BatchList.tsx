import type { LinePlan } from '@seriatim/core/plan'
import { batchName, keepTogether, type Batch, type KeptBatch } from '@seriatim/core/trade'
import type { BatchId } from '@seriatim/core/units'
import { Link2, Link2Off } from 'lucide-react'
import { useState } from 'react'
import { v7 } from 'uuid'
import { plural } from '../../shared/format/index.ts'
import { useCurrentProject, useSettings } from '../../shared/project/index.ts'
import { Button } from '../../shared/ui/index.ts'
import { usePlannedBatches } from '../../shared/worker/index.ts'
import { modelRunText } from './model-run-text.ts'
import { OwnBatchDialog } from './OwnBatchDialog.tsx'

/** Which models go down the line together: as the plan has them, or kept together whatever it would have. */
export function BatchList({ plan }: { readonly plan: LinePlan }) {
  const project = useCurrentProject()
  const setSettings = useSettings()
  const batches = usePlannedBatches(project, plan)
  const [choosing, setChoosing] = useState(false)
  const { planning, units } = project
  const setBatches = (batches: readonly KeptBatch[], said: string) =>
    setSettings({ planning: { ...planning, batches } }, said)
  const keep = (own: KeptBatch, said: string) => setBatches(keepTogether(planning.batches, own), said)
  const toggle = (batch: Batch) =>
    batch.kept
      ? setBatches(
          planning.batches.filter((each) => each.id !== batch.id),
          `${batchName(batch)} goes as the plan has it again.`,
        )
      : keep(
          { id: batch.id, unitId: batch.unitId, modelIds: batch.models.map((model) => model.id) },
          `${batchName(batch)} stays together.`,
        )
  return (
    <div className="ticket p-4">
      <div className="mb-2 flex flex-wrap items-center gap-x-4 gap-y-2">
        <p className="grow basis-80 text-sm text-ink-soft">
          The plan decides who goes together. What you keep together stays so, and so does a batch that is
          begun when you change how many may.
        </p>
        <Button onClick={() => setChoosing(true)}>A batch of my own</Button>
      </div>
      <ul aria-label="Batches and their models" className="grid gap-x-8 md:grid-cols-2">
        {batches.map((batch) => (
          <li key={batch.id} className="flex min-h-14 items-center gap-x-3 border-b border-paper-edge py-1">
            <span className="min-w-0 grow">
              <b className="mr-2">{batchName(batch)}</b>
              <span className="text-sm text-ink-soft">
                {modelRunText(batch.models, batch.unitName)}
                {batch.pilot ? ', the pilot' : ''}
              </span>
            </span>
            {batch.pilot ? null : (
              <Button
                weight="quiet"
                aria-pressed={batch.kept}
                aria-label={`Keep ${batchName(batch)} together`}
                className="shrink-0 px-1! aria-pressed:text-hands"
                onClick={() => toggle(batch)}
              >
                {batch.kept ? (
                  <Link2 aria-hidden="true" size={18} />
                ) : (
                  <Link2Off aria-hidden="true" size={18} />
                )}
                {batch.kept ? 'kept together' : 'as planned'}
              </Button>
            )}
          </li>
        ))}
      </ul>
      {choosing ? (
        <OwnBatchDialog
          units={units.filter((unit) => unit.models.length > 1)}
          onClose={() => setChoosing(false)}
          onChoose={(unitId, modelIds) => {
            keep(
              { id: v7() as BatchId, unitId, modelIds },
              `${plural(modelIds.length, 'model')} go together.`,
            )
            setChoosing(false)
          }}
        />
      ) : null}
    </div>
  )
}
