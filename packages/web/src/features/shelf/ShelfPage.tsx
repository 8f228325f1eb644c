import { materialOfKind } from '@seriatim/core/presets'
import { materialKinds, type Material } from '@seriatim/core/trade'
import type { MaterialId } from '@seriatim/core/units'
import { Download, Plus } from 'lucide-react'
import { useMemo, useState } from 'react'
import { toast } from 'sonner'
import { v7 } from 'uuid'
import { useShelf, useShelfChange } from '../../shared/api/index.ts'
import { BringCsvButton, saveText } from '../../shared/csv/index.ts'
import { plural, waitRangeText } from '../../shared/format/index.ts'
import { Button, ErrorState, Headline, LoadingState, TextField } from '../../shared/ui/index.ts'
import { MaterialDialog } from './MaterialDialog.tsx'
import { shelfCsv, shelfReader } from './shelf-csv.ts'

export function ShelfPage() {
  const shelf = useShelf()
  if (shelf.data) return <Shelf shelf={shelf.data} />
  const reason = shelf.error ?? shelf.failureReason
  if (reason) return <ErrorState error={reason} onRetry={() => void shelf.refetch()} />
  return <LoadingState what="the shelf" />
}

function Shelf({ shelf }: { readonly shelf: ReadonlyMap<MaterialId, Material> }) {
  const change = useShelfChange()
  const [wanted, setWanted] = useState('')
  const [open, setOpen] = useState<Material | null>(null)
  const reader = useMemo(() => shelfReader(shelf, v7), [shelf])
  const all = [...shelf.values()]
  const shown = all.filter((material) =>
    `${material.name} ${material.kind}`.toLowerCase().includes(wanted.trim().toLowerCase()),
  )

  const bring = (materials: readonly Material[]) => {
    const before = materials.flatMap(({ id }) => shelf.get(id) ?? [])
    const added = materials.filter(({ id }) => !shelf.has(id)).map(({ id }) => id)
    change.mutate({
      kind: 'put',
      materials,
      before,
      said: `${plural(materials.length, 'material')} on the shelf.`,
      undo: () =>
        change.mutate({
          kind: 'take-back',
          before,
          became: materials,
          added,
          said: 'The shelf is as it was before the file.',
        }),
    })
  }
  const save = () => {
    saveText('shelf.csv', shelfCsv(all))
    toast('The shelf is saved as shelf.csv.')
  }

  return (
    <>
      <Headline
        sub={`${plural(all.filter((material) => material.stockMl > 0).length, 'material')} with a known stock`}
        actions={
          <>
            <Button weight="main" onClick={() => setOpen(materialOfKind('opaque', v7() as MaterialId))}>
              <Plus aria-hidden="true" size={18} /> New material
            </Button>
            <BringCsvButton
              label="Shelf from CSV"
              title="Shelf from CSV"
              description="Name and kind are needed; what else is missing comes from the kind. A name that is on the shelf already is changed."
              placeholder={
                'name,kind,colour,dry from,dry to,stock ml\nSedge green,translucent,#4f7a3a,15,30,12'
              }
              reader={reader}
              what={['material', 'materials']}
              onTake={bring}
            />
            <Button onClick={save}>
              <Download aria-hidden="true" size={18} /> Save as CSV
            </Button>
          </>
        }
      >
        {plural(all.length, 'material')} on the shelf
      </Headline>
      <TextField
        label="Find"
        value={wanted}
        onChange={(event) => setWanted(event.target.value)}
        className="mb-4 max-w-sm"
      />
      <div className="gap-x-5 sm:columns-2 lg:columns-3">
        {materialKinds.map((kind) => {
          const ofKind = shown.filter((material) => material.kind === kind)
          if (ofKind.length === 0) return null
          return (
            <section key={kind} className="ticket mb-4 break-inside-avoid p-3" aria-label={kind}>
              <h2 className="px-1 text-lg capitalize">{kind}</h2>
              <ul>
                {ofKind.slice(0, 200).map((material) => (
                  <li key={material.id} className="border-t border-paper-edge">
                    <button
                      type="button"
                      className="flex min-h-11 w-full items-center gap-3 px-1 text-left hover:bg-paper-dim"
                      onClick={() => setOpen(material)}
                    >
                      <span
                        aria-hidden="true"
                        className="size-6 shrink-0 rounded-full border border-rule"
                        style={{ background: material.colour }}
                      />
                      <span className="grow">{material.name}</span>
                      {material.stockMl > 0 ? (
                        <span className="figures text-sm">{material.stockMl} ml</span>
                      ) : null}
                      <span className="figures text-sm text-drying">
                        {waitRangeText(material.dryingMinSeconds, material.dryingMaxSeconds)}
                      </span>
                    </button>
                  </li>
                ))}
              </ul>
              {ofKind.length > 200 ? (
                <p className="p-1 text-sm text-ink-soft">
                  … and {ofKind.length - 200} more; find them by name.
                </p>
              ) : null}
            </section>
          )
        })}
      </div>
      {shown.length === 0 ? <p className="text-ink-soft">Nothing on the shelf is called so.</p> : null}
      {open ? (
        <MaterialDialog
          key={open.id}
          material={open}
          isNew={!shelf.has(open.id)}
          open
          onOpenChange={(stays) => {
            if (!stays) setOpen(null)
          }}
          onSave={(material) =>
            change.mutate(
              {
                kind: 'put',
                materials: [material],
                before: shelf.has(open.id) ? [open] : [],
                said: `${material.name} is on the shelf.`,
              },
              { onSuccess: () => setOpen(null) },
            )
          }
          onRemove={(material) =>
            change.mutate(
              { kind: 'remove', id: material.id, said: `${material.name} is off the shelf.` },
              { onSuccess: () => setOpen(null) },
            )
          }
        />
      ) : null}
    </>
  )
}
