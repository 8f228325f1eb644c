import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { toast } from 'sonner'
import { ApiProblem, importProjectFile, importStudioFile, projectListQuery } from '../../shared/api/index.ts'
import { plural } from '../../shared/format/index.ts'
import { Button, Dialog, TextField } from '../../shared/ui/index.ts'
import { readFile, type ReadFile } from './read-file.ts'

interface DialogProps {
  readonly open: boolean
  readonly onOpenChange: (open: boolean) => void
}

const mostErrors = 8

/** Reads a file of a project or a whole studio, names every fault at its place, and loads it; a project that is here as a copy. */
export function OpenFileDialog({ open, onOpenChange }: DialogProps) {
  const navigate = useNavigate()
  const client = useQueryClient()
  const [file, setFile] = useState<Exclude<ReadFile, { kind: 'wrong' }> | null>(null)
  const [errors, setErrors] = useState<readonly string[]>([])
  const [here, setHere] = useState(false)
  const [busy, setBusy] = useState(false)

  const read = async (picked: File | undefined) => {
    setFile(null)
    setHere(false)
    setErrors([])
    if (!picked) return
    const found = readFile(picked.name, await picked.text())
    if (found.kind === 'wrong') setErrors(found.errors)
    else setFile(found)
  }

  const load = async (copy: boolean) => {
    if (!file) return
    setBusy(true)
    try {
      if (file.kind === 'studio') await loadStudio(file.json)
      else await loadProject(file.json, copy)
    } catch (error) {
      if (error instanceof ApiProblem && error.kind === 'project-exists') setHere(true)
      else setErrors([error instanceof Error ? error.message : String(error)])
    } finally {
      setBusy(false)
    }
  }
  const loadProject = async (json: unknown, copy: boolean) => {
    const project = await importProjectFile(json, copy)
    await client.invalidateQueries({ queryKey: projectListQuery.queryKey })
    await navigate(`/projects/${project.id}/plan`)
  }
  const loadStudio = async (json: unknown) => {
    const { taken, here: known } = await importStudioFile(json)
    // Shelf, air, hand, clients and prices may all have more in them.
    await client.invalidateQueries()
    toast(
      `${plural(taken.projects, 'project')}, ${plural(taken.clients, 'client')} and ${plural(taken.materials, 'material')} taken.${known.projects > 0 ? ` ${plural(known.projects, 'project')} ${known.projects === 1 ? 'was' : 'were'} here already and ${known.projects === 1 ? 'stays as it is' : 'stay as they are'}.` : ''}`,
    )
    onOpenChange(false)
  }

  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      title="Open a file"
      description="A whole project with its log, or a whole studio, as JSON."
    >
      <div className="grid gap-4">
        <TextField
          label="File"
          type="file"
          accept=".json,application/json"
          onChange={(event) => void read(event.target.files?.[0])}
        />
        {errors.length > 0 ? (
          <ul role="alert" className="grid gap-1 border-l-4 border-l-hands pl-3 text-sm">
            {errors.slice(0, mostErrors).map((line) => (
              <li key={line}>{line}</li>
            ))}
            {errors.length > mostErrors ? <li>and {errors.length - mostErrors} more</li> : null}
          </ul>
        ) : null}
        {here ? (
          <div className="grid gap-3" role="alert">
            <p>This project is here already. Load the file as a second project beside it?</p>
            <Button weight="main" disabled={busy} onClick={() => void load(true)}>
              Load as a copy
            </Button>
          </div>
        ) : (
          <Button weight="main" disabled={file === null || busy} onClick={() => void load(false)}>
            {file?.kind === 'studio' ? 'Take what is not here yet' : 'Load the project'}
          </Button>
        )}
      </div>
    </Dialog>
  )
}
