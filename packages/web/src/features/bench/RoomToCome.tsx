import { shownAtFirst } from './ThenList.tsx'

const sittingHeight = 186
const stretchHeight = 65
const buttonHeight = 48

/**
 * The room that the session and what comes next will take beside the ticket, until they are planned: else the strips would
 * go down under a finger. Where they stand one below the other there is nothing to hold still.
 * @param stretches so many come at most.
 */
export function RoomToCome({ stretches }: { readonly stretches: number }) {
  const height =
    sittingHeight +
    Math.min(stretches, shownAtFirst) * stretchHeight +
    (stretches > shownAtFirst ? buttonHeight : 0)
  return <div aria-hidden="true" className="hidden lg:block" style={{ height }} />
}
