import type { FairShare } from '@seriatim/core/plan'
import { durationText } from '../../shared/format/index.ts'
import { ScrollRegion } from '../../shared/ui/index.ts'

/** So much more or less than an even share is not worth a word. */
const evenWithin = 30 * 60

/** How much of the work each painter has, beside what an even share of everybody's hours would be. */
export function ShareTable({ shares }: { readonly shares: readonly FairShare[] }) {
  if (shares.length < 2) return null
  return (
    <section className="ticket mt-6 p-4" aria-labelledby="shares">
      <h2 id="shares" className="text-xl">
        Who has how much
      </h2>
      <ScrollRegion label="Shares of the work">
        <table className="mt-2 w-full min-w-[36rem] text-left">
          <thead className="text-sm text-ink-soft">
            <tr>
              <th scope="col" className="py-1">
                Painter
              </th>
              <th scope="col" className="px-2">
                Work in the plan
              </th>
              <th scope="col" className="px-2">
                Own hours until all is done
              </th>
              <th scope="col" className="px-2">
                An even share
              </th>
            </tr>
          </thead>
          <tbody>
            {shares.map(({ id, name, workSeconds, deskSeconds, evenSeconds }) => (
              <tr key={id} className="border-t border-paper-edge">
                <th scope="row" className="py-2 pr-2">
                  {name}
                </th>
                <td className="figures px-2">{durationText(workSeconds)}</td>
                <td className="figures px-2">{durationText(deskSeconds)}</td>
                <td className="px-2">
                  <span className="figures">{durationText(evenSeconds)}</span>
                  <span className="text-ink-soft">, {differenceText(workSeconds - evenSeconds)}</span>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </ScrollRegion>
      <p className="mt-2 text-sm text-ink-soft">
        An even share is what each would have, were everybody’s hours equally full. Who is asked to do what,
        and in whose hands a batch is, shifts it: under Hours, and on the plan of a project.
      </p>
    </section>
  )
}

function differenceText(more: number): string {
  if (Math.abs(more) < evenWithin) return 'and has about that'
  return `and has ${durationText(Math.abs(more))} ${more > 0 ? 'more' : 'less'}`
}
