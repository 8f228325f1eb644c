import { Link, useLocation } from 'react-router'
import { Button, Dialog } from '../../shared/ui/index.ts'
import { forgetPedal, useLearnPedal, usePedalName } from '../../shared/use-pedal.ts'
import { KeyList } from './HelpPage.tsx'
import { everywhere, keysByPlace } from './keys.ts'

/** The keys of the place one is at. */
export function KeysDialog({ onClose }: { readonly onClose: () => void }) {
  const { pathname } = useLocation()
  const here = keysByPlace.find(({ path }) => pathname.endsWith(`/${path}`))
  return (
    <Dialog
      open
      onOpenChange={(open) => {
        if (!open) onClose()
      }}
      title="Keys"
      description={here ? `At this place, and everywhere.` : 'This place has no keys of its own.'}
    >
      {here ? <KeyList title={here.place} keys={here.keys} /> : null}
      <KeyList title="Everywhere" keys={everywhere} />
      <Pedal />
      <p className="mt-4">
        <Link to="/help" className="underline underline-offset-4" onClick={onClose}>
          How it works, all keys, and words of the desk
        </Link>
      </p>
    </Dialog>
  )
}

/** A foot pedal or another button for the next model, for wet hands. */
function Pedal() {
  const name = usePedalName()
  const { isWaiting, learn } = useLearnPedal()
  return (
    <div className="mt-4 flex flex-wrap items-center gap-x-3 gap-y-1">
      <p className="grow" role="status">
        {isWaiting
          ? 'Press the pedal, the media key or the game pad’s button now. Esc leaves it.'
          : name === null
            ? 'A foot pedal, a media key or a game pad can be “Next model”.'
            : `“Next model” is also ${name}.`}
      </p>
      {isWaiting ? null : <Button onClick={learn}>{name === null ? 'Use a pedal' : 'Use another'}</Button>}
      {name !== null && !isWaiting ? (
        <Button weight="quiet" onClick={forgetPedal}>
          Without it
        </Button>
      ) : null}
    </div>
  )
}
