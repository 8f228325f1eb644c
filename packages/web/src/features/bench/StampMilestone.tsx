import type { Progress } from '@seriatim/core/progress'
import { Flag } from 'lucide-react'
import { useState } from 'react'
import { MilestoneDialog } from '../../shared/milestone/index.ts'
import { Button, Kbd } from '../../shared/ui/index.ts'
import { usePageKeys } from '../../shared/use-page-keys.ts'

/** For who looks at the clock now and then: so many models are through so much, and it took so long. */
export function StampMilestone({ progress }: { readonly progress: Progress }) {
  const [open, setOpen] = useState(false)
  usePageKeys({ m: () => setOpen(true) })
  return (
    <>
      <Button weight="quiet" className="justify-self-start px-0!" onClick={() => setOpen(true)}>
        <Flag aria-hidden="true" size={18} /> Log progress <Kbd>M</Kbd>
      </Button>
      {open ? <MilestoneDialog open onOpenChange={setOpen} progress={progress} /> : null}
    </>
  )
}
