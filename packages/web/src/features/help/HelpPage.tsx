import { Link } from 'react-router'
import { Headline, Kbd } from '../../shared/ui/index.ts'
import { glossary } from './glossary.ts'
import { everywhere, keysByPlace } from './keys.ts'

const road = [
  ['Roster', 'Type the unit as you say it, “10 pikes, leader, horn”, or read a CSV.'],
  [
    'Recipe',
    'Choose a school: layers for every region, judged by the rules of the trade. The stages follow by itself.',
  ],
  ['What fits', 'Say when you paint. How many hours there are decides how fine the models can be.'],
  ['Plan', 'Read the date that holds in eight of ten cases, and tonight’s run sheet.'],
  ['Bench', 'Sit down: it says the pot, the brush, the models and what comes next. Space for each model.'],
  ['Progress', 'Every model at every stage; inspect what is table-ready, and gather the touch-ups.'],
  ['Logbook', 'See what surprised you. Your laps replace the presets, here and in the next project.'],
] as const

/** How to get from a roster to painted models, which keys there are, and what the words mean. */
export function HelpPage() {
  return (
    <>
      <Headline sub={<p>From grey models to the table, in seven places.</p>}>How it works</Headline>
      <div className="grid items-start gap-5 lg:grid-cols-2">
        <div className="grid gap-5">
          <section className="ticket p-4" aria-labelledby="road">
            <h2 id="road" className="text-xl">
              The road
            </h2>
            <ol className="mt-2 grid gap-2">
              {road.map(([place, what], index) => (
                <li key={place} className="flex gap-3 border-t border-paper-edge pt-2">
                  <span className="figures text-ink-soft">{index + 1}</span>
                  <span>
                    <b>{place}.</b> {what}
                  </span>
                </li>
              ))}
            </ol>
            <p className="mt-3 text-sm text-ink-soft">
              A worked example stands on the{' '}
              <Link to="/projects" className="underline underline-offset-4">
                list of projects
              </Link>
              : a militia half-way through, with its laps. Every underlined figure opens to how it came about.
            </p>
          </section>
          <section className="ticket p-4" aria-labelledby="words">
            <h2 id="words" className="text-xl">
              Words of the desk
            </h2>
            <dl className="mt-2">
              {glossary.map(([term, meaning]) => (
                <div key={term} className="border-t border-paper-edge py-1.5">
                  <dt className="font-bold">{term}</dt>
                  <dd className="text-sm">{meaning}</dd>
                </div>
              ))}
            </dl>
          </section>
        </div>
        <section className="ticket p-4" aria-labelledby="keys">
          <h2 id="keys" className="text-xl">
            Keys
          </h2>
          <KeyList title="Everywhere" keys={everywhere} />
          {keysByPlace.map(({ place, keys }) => (
            <KeyList key={place} title={place} keys={keys} />
          ))}
        </section>
      </div>
    </>
  )
}

interface KeyListProps {
  readonly title: string
  readonly keys: readonly (readonly [string, string])[]
}

export function KeyList({ title, keys }: KeyListProps) {
  return (
    <>
      <h3 className="mt-3 font-bold">{title}</h3>
      <dl className="grid grid-cols-[9rem_minmax(0,1fr)] gap-x-3 text-sm">
        {keys.map(([key, what]) => (
          <div
            key={`${key} ${what}`}
            className="col-span-full grid grid-cols-subgrid border-t border-paper-edge py-1"
          >
            <dt>
              <Kbd>{key}</Kbd>
            </dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
    </>
  )
}
