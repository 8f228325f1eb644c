import type { ProjectSummary } from '@seriatim/contract'
import { useQuery } from '@tanstack/react-query'
import { Download, FolderOpen, Handshake, Layers, Plus } from 'lucide-react'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { toast } from 'sonner'
import { exportStudioFile, projectListQuery } from '../../shared/api/index.ts'
import { saveText } from '../../shared/csv/index.ts'
import { plural } from '../../shared/format/index.ts'
import { useManages } from '../../shared/signed-in.ts'
import { Button, EmptyState, ErrorState, Headline, LoadingState } from '../../shared/ui/index.ts'
import { OpenFileDialog } from './OpenFileDialog.tsx'
import { ProjectTicket } from './ProjectTicket.tsx'

export function ProjectsPage() {
  const { data, error, failureReason, refetch } = useQuery(projectListQuery)
  const [open, setOpen] = useState(false)
  const navigate = useNavigate()
  const manages = useManages()
  const actions = (
    <>
      <Button weight="main" onClick={() => void navigate('/new')}>
        <Plus aria-hidden="true" size={18} /> New project
      </Button>
      <Button onClick={() => setOpen(true)}>
        <FolderOpen aria-hidden="true" size={18} /> Open a file
      </Button>
      {manages && data && data.length > 0 ? (
        <Button onClick={saveEverything}>
          <Download aria-hidden="true" size={18} /> Save everything
        </Button>
      ) : null}
      {manages ? (
        <Button onClick={() => void navigate('/commissions')}>
          <Handshake aria-hidden="true" size={18} /> Commissions
        </Button>
      ) : null}
      {data && data.length > 1 ? (
        <Button onClick={() => void navigate('/desk')}>
          <Layers aria-hidden="true" size={18} /> All at one desk
        </Button>
      ) : null}
    </>
  )
  const reason = error ?? failureReason
  return (
    <>
      {data ? <Headline actions={data.length > 0 ? actions : undefined}>{headlineOf(data)}</Headline> : null}
      {data ? (
        data.length > 0 ? (
          <ul className="grid gap-4 lg:grid-cols-2">
            {data.map((project) => (
              <li key={project.id}>
                <ProjectTicket project={project} />
              </li>
            ))}
          </ul>
        ) : (
          <EmptyState title="Begin with a project" actions={actions}>
            <p>
              A project is what has to be painted by a date, or in the hours you have: units, stages,
              evenings.
            </p>
          </EmptyState>
        )
      ) : reason ? (
        <ErrorState error={reason} onRetry={() => void refetch()} />
      ) : (
        <LoadingState what="the projects" />
      )}
      <OpenFileDialog open={open} onOpenChange={setOpen} />
    </>
  )
}

/** Every project, the shelf, the air, clients and prices, as one file. */
function saveEverything(): void {
  exportStudioFile().then(
    (text) => saveText('everything.seriatim.json', text, 'application/json'),
    (error: unknown) => toast.error(error instanceof Error ? error.message : String(error)),
  )
}

function headlineOf(projects: readonly ProjectSummary[]): string {
  if (projects.length === 0) return 'The desk is clear'
  const left = projects.reduce((sum, project) => sum + project.models - project.modelsTableReady, 0)
  if (left === 0) return 'Every model is table-ready'
  return `${plural(left, 'model')} still to bring to the table`
}
