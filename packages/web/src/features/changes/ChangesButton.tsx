import { History } from 'lucide-react'
import { useState } from 'react'
import type { ProjectId } from '@seriatim/core/units'
import { Dialog, IconButton } from '../../shared/ui/index.ts'
import { ChangeList } from './ChangeList.tsx'

/** What was changed in the project, by whom and when, and the way back. */
export function ChangesButton({ projectId }: { readonly projectId: ProjectId }) {
  const [open, setOpen] = useState(false)
  return (
    <>
      <IconButton label="What was changed" onClick={() => setOpen(true)}>
        <History aria-hidden="true" size={20} />
      </IconButton>
      <Dialog
        open={open}
        onOpenChange={setOpen}
        title="What was changed"
        description="Roster, recipes, line and plan, the newest first. Taking one back leaves what came after it."
        wide
      >
        <ChangeList projectId={projectId} />
      </Dialog>
    </>
  )
}
