import {
  projectFileSchema,
  projectSummarySchema,
  storedProjectSchema,
  type ProjectFileJson,
  type ProjectSettings,
  type StoredProject,
} from '@seriatim/contract'
import type { ProjectId, Recipe, Stage, Unit } from '@seriatim/core'
import { queryOptions, useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { toast } from 'sonner'
import { z } from 'zod'
import { api, ApiProblem, ask } from './client.ts'

const projectListSchema = z.object({ projects: z.array(projectSummarySchema) })

export const projectListQuery = queryOptions({
  queryKey: ['projects'],
  queryFn: () => ask(api.projects.$get(), projectListSchema).then((list) => list.projects),
})

const projectQuery = (id: ProjectId) =>
  queryOptions({
    queryKey: ['project', id],
    queryFn: () => ask(api.projects[':id'].$get({ param: { id } }), storedProjectSchema),
  })

export const useProject = (id: ProjectId) => useQuery(projectQuery(id))

/** Any change to the roster, the line or the settings of a project. */
export type ProjectChange =
  | { readonly kind: 'settings'; readonly settings: ProjectSettings }
  | { readonly kind: 'unit'; readonly unit: Unit }
  | { readonly kind: 'remove-unit'; readonly unitId: Unit['id'] }
  | { readonly kind: 'recipes'; readonly recipes: readonly Recipe[] }
  | { readonly kind: 'line'; readonly line: readonly Stage[] }

function send(project: StoredProject, change: ProjectChange): Promise<StoredProject> {
  const { id, revision } = project
  const at = api.projects[':id']
  switch (change.kind) {
    case 'settings':
      return ask(
        at.settings.$put({ param: { id }, json: { revision, settings: change.settings } }),
        storedProjectSchema,
      )
    case 'unit': {
      const unit = { ...change.unit, models: [...change.unit.models] }
      return ask(
        at.units[':unitId'].$put({ param: { id, unitId: unit.id }, json: { revision, unit } }),
        storedProjectSchema,
      )
    }
    case 'remove-unit':
      return ask(
        at.units[':unitId'].$delete({ param: { id, unitId: change.unitId }, json: { revision } }),
        storedProjectSchema,
      )
    case 'recipes':
      return ask(
        at.recipes.$put({ param: { id }, json: { revision, recipes: change.recipes } }),
        storedProjectSchema,
      )
    case 'line':
      return ask(
        at.line.$put({ param: { id }, json: { revision, line: change.line.map(plainStage) } }),
        storedProjectSchema,
      )
  }
}

function plainStage(stage: Stage) {
  const { touch } = stage
  return {
    ...stage,
    touch: touch.kind === 'regions' ? { ...touch, regions: [...touch.regions] } : touch,
    notNeededBy: [...stage.notNeededBy],
    cautions: [...stage.cautions],
  }
}

/** What would take a change back, made from the project as it was before. */
function inverse(before: StoredProject, change: ProjectChange): ProjectChange | null {
  switch (change.kind) {
    case 'settings': {
      const {
        id: _id,
        revision: _revision,
        units: _units,
        recipes: _recipes,
        line: _line,
        ...settings
      } = before
      return { kind: 'settings', settings }
    }
    case 'recipes':
      return { kind: 'recipes', recipes: before.recipes }
    case 'line':
      return { kind: 'line', line: before.line }
    case 'unit': {
      const unit = before.units.find((each) => each.id === change.unit.id)
      return unit ? { kind: 'unit', unit } : { kind: 'remove-unit', unitId: change.unit.id }
    }
    case 'remove-unit': {
      const unit = before.units.find((each) => each.id === change.unitId)
      return unit ? { kind: 'unit', unit } : null
    }
  }
}

/** The project as it will be, shown until the server has answered. */
function foreseen(before: StoredProject, change: ProjectChange): StoredProject {
  switch (change.kind) {
    case 'settings':
      return { ...before, ...change.settings }
    case 'recipes':
      return { ...before, recipes: change.recipes }
    case 'line':
      return { ...before, line: change.line.map(plainStage) }
    case 'unit':
    case 'remove-unit':
      return before
  }
}

/** The one toast about changes; a number that grows. */
let lastChange = 0

/**
 * Says what was done in place of what was said before; an empty text says nothing. A toast that is on its way out
 * gives its id up: the library takes it off by its id a moment later, and a newer one of that id would go with it.
 */
function sayChange(said: string, undo: (() => void) | null): void {
  const id = lastChange
  const giveUp = () => {
    if (lastChange === id) lastChange += 1
  }
  if (said === '') {
    toast.dismiss(id)
    giveUp()
    return
  }
  toast(said, {
    id,
    onDismiss: giveUp,
    onAutoClose: giveUp,
    ...(undo ? { action: { label: 'Undo', onClick: undo } } : {}),
  })
}

interface Named {
  readonly change: ProjectChange
  /** What the toast says was done; an empty one says nothing. */
  readonly said: string
}

/** Sends a change made from the newest revision; the toast that says so can take it back. */
export function useProjectChange(id: ProjectId) {
  const client = useQueryClient()
  const { queryKey } = projectQuery(id)
  const mutation = useMutation({
    scope: { id: `project-${id}` },
    mutationFn: async ({ change }: Named) => {
      const before = client.getQueryData(queryKey) ?? (await client.query(projectQuery(id)))
      client.setQueryData(queryKey, foreseen(before, change))
      try {
        client.setQueryData(queryKey, await send(before, change))
      } catch (error) {
        client.setQueryData(queryKey, before)
        throw error
      }
      return { before }
    },
    onSuccess: async ({ before }, { change, said }) => {
      const back = inverse(before, change)
      // One offer at a time: taking back an older change would take the newer ones with it.
      sayChange(said, back && (() => mutation.mutate({ change: back, said: '' })))
      await client.invalidateQueries({ queryKey: projectListQuery.queryKey })
    },
    onError: async (error) => {
      toast.error(error.message)
      if (error instanceof ApiProblem && error.kind === 'stale-revision')
        await client.invalidateQueries({ queryKey })
    },
  })
  return mutation
}

export function createProject(id: ProjectId, settings: ProjectSettings): Promise<StoredProject> {
  return ask(api.projects[':id'].$put({ param: { id }, json: settings }), storedProjectSchema)
}

export function importProjectFile(file: ProjectFileJson, copy: boolean): Promise<StoredProject> {
  return ask(
    api.projects.import.$post({ query: { copy: copy ? 'true' : 'false' }, json: file }),
    storedProjectSchema,
  )
}

export async function setProjectRemoved(id: ProjectId, removed: boolean): Promise<void> {
  const answer = z.object({ removed: z.boolean() })
  if (removed) await ask(api.projects[':id'].$delete({ param: { id } }), answer)
  else await ask(api.projects[':id'].restore.$post({ param: { id } }), answer)
}

/** The project as a file's text, checked to be one. */
export async function exportProjectFile(id: ProjectId): Promise<string> {
  const file = await ask(api.projects[':id'].file.$get({ param: { id } }), projectFileSchema)
  return JSON.stringify(z.encode(projectFileSchema, file), null, 1)
}
