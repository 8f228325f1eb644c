import { packLog, projectFileSchema, routes } from '@seriatim/contract'
import { starterShelf } from '@seriatim/core/presets'
import { instant, type ProjectId } from '@seriatim/core/units'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { cleanup, renderHook, waitFor } from '@testing-library/react'
import type { ReactNode } from 'react'
import { afterEach, expect, test, vi } from 'vitest'
import demo from '../../../../demo/tallow-fen.json'
import { everyProject } from './api/index.ts'
import { useJobs } from './use-jobs.ts'

afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

const { project } = projectFileSchema.parse(demo)
const gone = '01930000-0000-7000-8000-000000000009' as ProjectId

/** A project as the list has it. */
const listed = (id: ProjectId) => ({
  id,
  name: 'Fen',
  dueOn: null,
  models: 1,
  modelsTableReady: 0,
  stages: 1,
  totalSeconds: 60,
  leftSeconds: 60,
  finish: null,
  commission: null,
})
const answers: Readonly<Record<string, unknown>> = {
  '/projects': routes.listProjects.answer.encode({ projects: [project.id, gone].map(listed) }),
  [`/projects/${project.id}`]: routes.readProject.answer.encode({ ...project, revision: 1 }),
  [`/projects/${project.id}/events`]: routes.readEvents.answer.encode({
    log: packLog([]),
    last: 0,
    revision: 1,
    now: instant(0),
    installation: '01930000-0000-7000-8000-000000000001',
  }),
  '/shelf': routes.readShelf.answer.encode({ materials: [...starterShelf] }),
  [`/hand/beside/${everyProject}`]: routes.readHand.answer.encode({
    brought: [],
    elsewhere: [],
    lessons: [],
  }),
  '/air': routes.readAir.answer.encode({ readings: [] }),
}
const missing = {
  type: 'not-found',
  title: 'Not found',
  status: 404,
  detail: 'There is no such project here.',
}

test('a project put away since the list was read is no job, and the others are', async () => {
  vi.stubGlobal('fetch', (url: string) => {
    const answer = answers[url.replace('/api', '')]
    return Promise.resolve(answer ? Response.json(answer) : Response.json(missing, { status: 404 }))
  })
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } })
  const { result } = renderHook(useJobs, {
    wrapper: ({ children }: { readonly children: ReactNode }) => (
      <QueryClientProvider client={client}>{children}</QueryClientProvider>
    ),
  })
  await waitFor(() => expect(result.current.error ?? result.current.queue).toBeTruthy())
  expect(result.current.error).toBeNull()
  expect(result.current.queue?.jobs.map((job) => job.project.id)).toEqual([project.id])
})
