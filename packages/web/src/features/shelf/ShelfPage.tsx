import { materialKinds, materialOfKind, type Material, type MaterialId } from '@seriatim/core'
import { Download, Plus, Upload } from 'lucide-react'
import { useRef, useState } from 'react'
import { toast } from 'sonner'
import { v7 } from 'uuid'
import { useShelf, useShelfChange } from '../../shared/api/index.ts'
import { plural, waitRangeText } from '../../shared/format/index.ts'
import { Button, ErrorState, Headline, LoadingState, TextField } from '../../shared/ui/index.ts'
import { MaterialDialog } from './MaterialDialog.tsx'
import { parseShelf, shelfCsv, type ShelfFault } from './shelf-csv.ts'

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
  const [faults, setFaults] = useState<readonly ShelfFault[]>([])
  const file = useRef<HTMLInputElement>(null)
  const all = [...shelf.values()]
  const shown = all.filter((material) =>
    `${material.name} ${material.kind}`.toLowerCase().includes(wanted.trim().toLowerCase()),
  )

  const bring = async (text: Promise<string>) => {
    const read = parseShelf(await text, shelf, v7)
    setFaults(read.faults)
    if (read.faults.length > 0 || read.materials.length === 0) return
    change.mutate({
      kind: 'put',
      materials: read.materials,
      said: `${plural(read.materials.length, 'material')} on the shelf.`,
    })
  }
  const save = () => {
    const link = document.createElement('a')
    link.href = URL.createObjectURL(new Blob([shelfCsv(all)], { type: 'text/csv' }))
    link.download = 'shelf.csv'
    link.click()
    URL.revokeObjectURL(link.href)
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
            <Button onClick={() => file.current?.click()}>
              <Upload aria-hidden="true" size={18} /> Shelf from CSV
            </Button>
            <Button onClick={save}>
              <Download aria-hidden="true" size={18} /> Save as CSV
            </Button>
            <input
              ref={file}
              type="file"
              accept=".csv,text/csv"
              aria-label="Shelf from CSV"
              className="hidden"
              onChange={(event) => {
                const [chosen] = event.target.files ?? []
                if (chosen) void bring(chosen.text())
                event.target.value = ''
              }}
            />
          </>
        }
      >
        {plural(all.length, 'material')} on the shelf
      </Headline>
      {faults.length > 0 ? (
        <div role="alert" className="ticket mb-4 border-l-8 border-l-hands p-4">
          <p className="font-bold">Nothing was put on the shelf.</p>
          <ul>
            {faults.slice(0, 20).map((fault) => (
              <li key={`${String(fault.line)} ${fault.column} ${fault.message}`}>
                Line {fault.line}
                {fault.column === '' ? '' : `, ${fault.column}`}: {fault.message}
              </li>
            ))}
          </ul>
          {faults.length > 20 ? <p>… and {faults.length - 20} more.</p> : null}
        </div>
      ) : null}
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
              { kind: 'put', materials: [material], said: `${material.name} is on the shelf.` },
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
