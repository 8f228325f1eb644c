import type { ProjectSettings } from '@seriatim/contract'
import { usualBatchSize } from '@seriatim/core/plan'
import { plainPlanning } from '@seriatim/core/trade'
import { seconds, type ProjectId } from '@seriatim/core/units'
import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { toast } from 'sonner'
import { v7 } from 'uuid'
import { createProject, projectListQuery } from '../../shared/api/index.ts'
import { ProjectSettingsForm } from '../../shared/project-settings-form.tsx'
import { Dialog } from '../../shared/ui/index.ts'

const fresh = (): ProjectSettings => ({
  name: '',
  dueOn: null,
  commission: null,
  evenings: {
    weekdays: [2, 4],
    startsAt: '19:30',
    lengthSeconds: seconds(2.5 * 3600),
    timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
  },
  batchSize: usualBatchSize,
  firstBatch: null,
  batchesInHand: null,
  planning: plainPlanning,
})

interface DialogProps {
  readonly open: boolean
  readonly onOpenChange: (open: boolean) => void
}

export function NewProjectDialog({ open, onOpenChange }: DialogProps) {
  const navigate = useNavigate()
  const client = useQueryClient()
  // One id for one dialog: pressing the button twice makes one project.
  const [id] = useState(() => v7() as ProjectId)
  const create = useMutation({
    mutationFn: (settings: ProjectSettings) => createProject(id, settings),
    onSuccess: async () => {
      await client.invalidateQueries({ queryKey: projectListQuery.queryKey })
      await navigate(`/projects/${id}/roster?new`)
    },
    onError: (error) => toast.error(error.message),
  })
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title="New project">
      <ProjectSettingsForm
        settings={fresh()}
        submitLabel="Make the project"
        busy={create.isPending}
        onSubmit={(settings) => create.mutate(settings)}
      />
    </Dialog>
  )
}
