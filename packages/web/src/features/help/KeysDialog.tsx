import { Link, useLocation } from 'react-router'
import { Dialog } from '../../shared/ui/index.ts'
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
      <p className="mt-4">
        <Link to="/help" className="underline underline-offset-4" onClick={onClose}>
          How it works, all keys, and words of the desk
        </Link>
      </p>
    </Dialog>
  )
}
