import { anyProjectFileSchema, fieldErrors } from '@seriatim/contract'
import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { ApiProblem, importProjectFile, projectListQuery } from '../../shared/api/index.ts'
import { Button, Dialog, TextField } from '../../shared/ui/index.ts'

interface DialogProps {
  readonly open: boolean
  readonly onOpenChange: (open: boolean) => void
}

const mostErrors = 8

/** Reads a project file, names every fault at its place, and loads it, as a copy where it is here already. */
export function OpenFileDialog({ open, onOpenChange }: DialogProps) {
  const navigate = useNavigate()
  const client = useQueryClient()
  const [file, setFile] = useState<unknown>(null)
  const [errors, setErrors] = useState<readonly string[]>([])
  const [here, setHere] = useState(false)
  const [busy, setBusy] = useState(false)

  const read = async (picked: File | undefined) => {
    setFile(null)
    setHere(false)
    setErrors([])
    if (!picked) return
    let json: unknown
    try {
      json = JSON.parse(await picked.text())
    } catch {
      setErrors([`${picked.name} is not JSON.`])
      return
    }
    const parsed = anyProjectFileSchema.safeParse(json)
    if (parsed.success) setFile(json)
    else
      setErrors(
        fieldErrors(parsed.error.issues).map((each) => `${each.path || picked.name}: ${each.message}`),
      )
  }

  const load = async (copy: boolean) => {
    if (file === null) return
    setBusy(true)
    try {
      const project = await importProjectFile(file, copy)
      await client.invalidateQueries({ queryKey: projectListQuery.queryKey })
      await navigate(`/projects/${project.id}/plan`)
    } catch (error) {
      if (error instanceof ApiProblem && error.kind === 'project-exists') setHere(true)
      else setErrors([error instanceof Error ? error.message : String(error)])
    } finally {
      setBusy(false)
    }
  }

  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      title="Open a project file"
      description="A whole project with its log, as JSON."
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
            Load the project
          </Button>
        )}
      </div>
    </Dialog>
  )
}
