import type { LinePlan } from '@seriatim/core/plan'
import { batchName, type Planning, type Project } from '@seriatim/core/trade'
import type { BatchId, Instant } from '@seriatim/core/units'
import { useEffect, useMemo, useRef, useState, type KeyboardEvent } from 'react'
import { layOutStrings, zooms, type Zoom } from './string-layout.ts'
import { BatchLine, colourOf, Ground, NowLine, type Hands } from './StringParts.tsx'
import { StretchNote } from './StretchNote.tsx'
import { pinTo, StretchPanel } from './StretchPanel.tsx'
import { useStretchDrag } from './use-stretch-drag.ts'

interface StringChartProps {
  readonly plan: LinePlan
  readonly project: Project
  readonly now: Instant
  /** The raw project's wishes, changed by what is pinned or put first. */
  readonly onPlanning: (planning: Planning, said: string) => void
}

/**
 * The plan as strings, as railways draw their trains. Arrows walk from stretch to stretch, and the one chosen is told
 * below with what can be done about it; a stretch dragged to another session is pinned there.
 */
export function StringChart({ plan, project, now, onPlanning }: StringChartProps) {
  const frame = useRef<HTMLDivElement>(null)
  const scroller = useRef<HTMLDivElement>(null)
  const { width, height } = useRoom(frame)
  const narrow = width < 640
  const left = narrow ? 84 : 150
  const [zoom, setZoom] = useState<Zoom>(zooms[0])
  const layout = useMemo(
    () => layOutStrings(plan, project, left, width, zoom.days, narrow ? null : height),
    [plan, project, left, width, zoom, narrow, height],
  )
  const [picked, setPicked] = useState<BatchId | null>(null)
  const [hoveredKey, setHoveredKey] = useState<string | null>(null)
  const [chosenKey, setChosenKey] = useState<string | null>(null)
  const all = useMemo(
    () =>
      layout.strings
        .flatMap((string) => string.hands)
        .sort((a, b) => a.stretch.startsAt - b.stretch.startsAt),
    [layout],
  )
  const chosen = all.find((each) => keyOf(each) === chosenKey) ?? null
  const hovered = all.find((each) => keyOf(each) === hoveredKey) ?? null
  const drag = useStretchDrag(layout, scroller, (hands, band) => {
    setChosenKey(keyOf(hands))
    const session = plan.sessions.find((each) => each.startsAt === band.session.startsAt)
    if (session) onPlanning(...pinTo(hands.stretch, session, project))
  })
  const litId = hovered?.stretch.batchId ?? chosen?.stretch.batchId ?? picked
  const litString = layout.strings.find((each) => each.batch.id === litId)
  const { timeZone } = project.evenings
  const choose = (hands: Hands | undefined) => {
    if (!hands) return
    setChosenKey(keyOf(hands))
    const box = scroller.current
    if (box && (hands.to.x > box.scrollLeft + width - 20 || hands.from.x < box.scrollLeft + left))
      box.scrollLeft = Math.max(0, hands.from.x - left - 20)
  }
  const onKeyDown = (event: KeyboardEvent) => {
    const steps = { ArrowRight: 1, ArrowLeft: -1, ArrowDown: 1, ArrowUp: -1, Home: 0, End: 0 } as const
    if (event.target !== event.currentTarget || !(event.key in steps)) return
    event.preventDefault()
    const key = event.key as keyof typeof steps
    const own = key === 'ArrowDown' || key === 'ArrowUp'
    const among = own && chosen ? all.filter((each) => each.stretch.batchId === chosen.stretch.batchId) : all
    const at = chosen ? among.indexOf(chosen) : -1
    if (key === 'Home') choose(all[0])
    else if (key === 'End') choose(all.at(-1))
    else choose(among[Math.min(among.length - 1, Math.max(0, at + steps[key]))])
  }

  return (
    <figure aria-label="String chart: time across, stages down, one string a batch">
      <div
        ref={frame}
        role="group"
        tabIndex={0}
        aria-label="Stretches of work: left and right go through time, up and down along a batch"
        onKeyDown={onKeyDown}
        className="relative"
      >
        <div ref={scroller} className="relative overflow-x-auto" tabIndex={layout.width > width ? 0 : -1}>
          <svg
            width={layout.width}
            height={layout.height}
            role="img"
            aria-label="Slanted lines are hands-on work, level lines are drying. The table below says the same in words."
            className="block"
          >
            <Ground layout={layout} left={left} timeZone={timeZone} over={drag.over} />
            {layout.strings.map((each) => (
              <BatchLine
                key={each.batch.id}
                string={each}
                dim={litString !== undefined && litString !== each}
                chosen={chosen}
                onHover={(hands) => setHoveredKey(hands && keyOf(hands))}
                onTake={(hands, event) => drag.begin(hands, event, () => choose(hands))}
              />
            ))}
            <NowLine layout={layout} now={now} timeZone={timeZone} />
          </svg>
          {hovered ? (
            <StretchNote hands={hovered} plan={plan} project={project} width={layout.width} />
          ) : null}
        </div>
      </div>
      {chosen ? (
        <StretchPanel stretch={chosen.stretch} plan={plan} project={project} onPlanning={onPlanning} />
      ) : (
        <p className="mt-1 text-sm text-ink-soft">
          Choose a stretch to see why it lies there; drag it to another session to pin it.
        </p>
      )}
      <figcaption className="mt-1 flex flex-wrap items-start justify-between gap-x-6">
        <ul className="flex flex-wrap gap-x-1" aria-label="Batches">
          {layout.strings.map(({ batch, unit }) => (
            <li key={batch.id}>
              <button
                type="button"
                aria-pressed={picked === batch.id}
                onClick={() => setPicked(picked === batch.id ? null : batch.id)}
                className="flex min-h-9 items-center gap-1.5 rounded-[3px] px-2 text-sm hover:bg-paper aria-pressed:bg-paper aria-pressed:font-bold"
              >
                <svg width="26" height="14" aria-hidden="true">
                  <path d="M1 1 12 11" stroke={colourOf(unit)} strokeWidth="4" strokeLinecap="round" />
                  <path d="M13 11h12" stroke={colourOf(unit)} strokeWidth="2" strokeDasharray="3 2.5" />
                </svg>
                {batchName(batch)}, {batch.models.length}
              </button>
            </li>
          ))}
        </ul>
        <div role="group" aria-label="How far the chart reaches" className="flex flex-wrap gap-1">
          {zooms.map((each) => (
            <button
              key={each.text}
              type="button"
              aria-pressed={each === zoom}
              onClick={() => setZoom(each)}
              className="min-h-9 rounded-[3px] px-3 text-sm font-bold text-ink-soft hover:bg-paper aria-pressed:bg-paper aria-pressed:text-ink aria-pressed:underline"
            >
              {each.text}
            </button>
          ))}
        </div>
      </figcaption>
    </figure>
  )
}

const keyOf = ({ stretch }: Hands) =>
  `${stretch.batchId} ${stretch.stageId} ${stretch.touchUp ?? ''} ${String(stretch.modelIds[0] ?? '')}`

/** Below the chart there is to be room for the batches' names. */
const legend = 48
const leastHeight = 320

/** The chart's width, and what of the window's height is left for it when the page is at its top. */
function useRoom(frame: React.RefObject<HTMLDivElement | null>) {
  const [room, setRoom] = useState({ width: 1100, height: 600 })
  useEffect(() => {
    const element = frame.current
    if (!element) return
    const measure = () => {
      const { top, width } = element.getBoundingClientRect()
      const height = Math.max(leastHeight, Math.floor(window.innerHeight - top - window.scrollY - legend))
      setRoom((before) =>
        before.width === Math.floor(width) && before.height === height
          ? before
          : { width: Math.floor(width), height },
      )
    }
    const observer = new ResizeObserver(measure)
    observer.observe(element)
    window.addEventListener('resize', measure)
    return () => {
      observer.disconnect()
      window.removeEventListener('resize', measure)
    }
  }, [frame])
  return room
}
