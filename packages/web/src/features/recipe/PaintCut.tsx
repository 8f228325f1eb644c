import { joinWords } from '@seriatim/core/recipe'
import { standardReaches, tableReadyStandard } from '@seriatim/core/trade'
import type { StepId } from '@seriatim/core/units'
import { clsx } from 'clsx'
import type { ReactNode } from 'react'
import { plural, waitRangeText } from '../../shared/format/index.ts'
import type { Cut, Layer } from '../../shared/recipe-cut.ts'
import { storeWord, useStoredWord } from '../../shared/stored-word.ts'
import { Button } from '../../shared/ui/index.ts'

/** Whether the finer layers are shown, on this device. */
const finerKey = 'fold.recipe.finer'

interface PaintCutProps {
  readonly cut: Cut
  readonly openId: StepId | null
  readonly onOpen: (id: StepId | null) => void
  readonly marked: ReadonlySet<StepId>
  /** What the units' standards take; the finer layers are folded. */
  readonly taken: ReadonlySet<StepId>
  readonly editor: ReactNode
}

const columns =
  'grid grid-cols-[minmax(0,1fr)_13rem] gap-x-3 sm:grid-cols-[minmax(0,1fr)_16rem] sm:gap-x-5 lg:grid-cols-[minmax(0,1fr)_23rem]'

/** The paint cut open: what goes on last lies on top; every layer opens to be changed. */
export function PaintCut({ cut, openId, onOpen, marked, taken, editor }: PaintCutProps) {
  const isAll = useStoredWord(finerKey) === 'shown'
  const isShown = ({ facts: { step } }: Layer) =>
    isAll || taken.has(step.id) || marked.has(step.id) || step.id === openId
  const finer = cut.layers.filter(({ facts }) => !taken.has(facts.step.id)).length
  return (
    <section aria-label="Layers, the last on top">
      {finer > 0 ? (
        <Button
          weight="quiet"
          className="px-0!"
          aria-expanded={isAll}
          onClick={() => storeWord(finerKey, isAll ? 'folded' : 'shown')}
        >
          {isAll
            ? 'Only the layers of your standard'
            : `${plural(finer, 'finer layer')}, for a higher standard`}
        </Button>
      ) : null}
      <ol reversed className="grid gap-0.5">
        {cut.layers
          .filter(isShown)
          .toReversed()
          .map((layer) => (
            <li key={layer.facts.step.id}>
              <div className={columns}>
                <Strata layer={layer} open={openId === layer.facts.step.id} />
                <button
                  type="button"
                  aria-expanded={openId === layer.facts.step.id}
                  onClick={() => onOpen(openId === layer.facts.step.id ? null : layer.facts.step.id)}
                  className="flex min-h-8 items-center gap-2 rounded-[3px] px-1 text-left hover:bg-paper-dim"
                >
                  <span className="figures w-6 shrink-0 text-right font-bold">{layer.number}</span>
                  <span className="grow leading-snug">
                    {layer.facts.material?.name ?? layer.facts.step.technique}
                    <span className="text-sm text-ink-soft">
                      {detailOf(layer)}
                      <span className="sm:hidden">: {placeOf(layer)}</span>
                    </span>
                    {marked.has(layer.facts.step.id) ? (
                      <span className="ml-1 rounded-[3px] bg-paper px-1 text-sm font-bold text-hands">
                        finding
                      </span>
                    ) : null}
                  </span>
                  <span className="figures hidden text-sm whitespace-nowrap text-drying sm:inline">
                    {waitRangeText(layer.facts.drying.min, layer.facts.drying.max)}
                  </span>
                </button>
              </div>
              {openId === layer.facts.step.id ? editor : null}
            </li>
          ))}
      </ol>
      <div className={clsx(columns, 'sticky bottom-0 bg-mat pt-1')} aria-hidden="true">
        <div>
          <div className="h-4 bg-[#8f9894] px-2 text-xs leading-4 text-[#10211b]">plastic</div>
          <div
            className={clsx('relative mt-1', cut.columns.some(({ apart }) => apart !== '') ? 'h-10' : 'h-7')}
          >
            {cut.columns.map((column) => (
              <span
                key={column.name}
                className="absolute hidden overflow-hidden text-center font-heading text-sm font-bold text-ellipsis sm:block"
                style={{ left: `${String(column.left)}%`, width: `${String(column.width)}%` }}
              >
                {column.name}
                {column.apart === '' ? null : (
                  <span className="block font-sans text-xs font-normal">{column.apart}</span>
                )}
              </span>
            ))}
          </div>
        </div>
      </div>
    </section>
  )
}

/** Columns too narrow for their names say it here. */
function placeOf({ facts }: Layer): string {
  return facts.whole ? 'all over' : joinWords(facts.regions.map((region) => region.name))
}

function detailOf({ facts: { material, step } }: Layer): string {
  const technique = material && !material.name.includes(step.technique) ? [step.technique] : []
  const extent = step.extent === 'all of it' ? [] : [step.extent]
  const coats = step.coats > 1 ? [`${String(step.coats)} coats`] : []
  const standard = standardReaches(step.standard, tableReadyStandard) ? [] : [step.standard]
  const roles = step.roles.length === 0 ? [] : [`only ${step.roles.join(', ')}`]
  return [...technique, ...extent, ...coats, ...standard, ...roles].map((each) => `, ${each}`).join('')
}

/** Thickness by coats, colour as predicted. */
function Strata({ layer, open }: { readonly layer: Layer; readonly open: boolean }) {
  const height = layer.facts.whole ? 24 : 20 + 5 * Math.min(3, layer.facts.step.coats)
  return (
    <div className="relative self-center" style={{ height }} aria-hidden="true">
      {layer.pieces.map((piece) => (
        <span
          key={piece.left}
          className={clsx(
            'absolute inset-y-0',
            open && 'outline-3 outline-drying',
            layer.facts.varnish && 'border border-rule opacity-70',
          )}
          style={{
            left: `${String(piece.left)}%`,
            width: `${String(piece.width)}%`,
            background: layer.graded
              ? `linear-gradient(${piece.colour}, color-mix(in srgb, ${piece.colour}, #222 55%))`
              : layer.facts.varnish
                ? '#f4f1e8'
                : piece.colour,
          }}
        />
      ))}
    </div>
  )
}
