import { changesAtOnce, projectFileSchema, routes, type LoggedChange } from '@seriatim/contract'
import { instant, type ChangeId, type DeviceId, type PainterId } from '@seriatim/core/units'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { act, cleanup, render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { afterEach, expect, test, vi } from 'vitest'
import demo from '../../../../../demo/tallow-fen.json'
import { projectQuery } from '../../shared/api/index.ts'
import { outbox } from '../../shared/outbox/index.ts'
import { ChangeList } from './ChangeList.tsx'

afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
  vi.restoreAllMocks()
})

const { project } = projectFileSchema.parse(demo)

/** That somebody gave the project a name, and that it can be given the one before again. */
const renamed = (revision: number): LoggedChange => ({
  id: `01930000-0000-7000-8000-${String(revision).padStart(12, '0')}` as ChangeId,
  revision,
  at: instant(revision),
  device: '01930000-0000-7000-8000-0000000000ff' as DeviceId,
  number: revision,
  painter: 'you' as PainterId,
  signedBy: `Hand ${String(revision)}`,
  done: [{ kind: 'set', thing: 'project', field: 'name', value: `Fen ${String(revision)}` }] as never,
  undo: [{ kind: 'set', thing: 'project', field: 'name', value: `Fen ${String(revision - 1)}` }] as never,
})

/** The list as it is opened over a server that has so many changes and gives some at once; `write` has it have more. */
function opened(revision: number) {
  let last = revision
  vi.stubGlobal('fetch', (url: string) => {
    const before = Number(new URL(url, 'http://desk').searchParams.get('before') ?? last + 1)
    const changes = Array.from({ length: last }, (_, index) => renamed(last - index))
    const answer = { changes: changes.filter((change) => change.revision < before).slice(0, changesAtOnce) }
    return Promise.resolve(Response.json(routes.readChanges.answer.encode(answer)))
  })
  const client = new QueryClient({ defaultOptions: { queries: { staleTime: Infinity } } })
  const has = (number: number) =>
    client.setQueryData(projectQuery(project.id).queryKey, { ...project, revision: number })
  has(revision)
  render(
    <QueryClientProvider client={client}>
      <ChangeList projectId={project.id} />
    </QueryClientProvider>,
  )
  const write = () =>
    act(() => {
      last += 1
      has(last)
    })
  return { write }
}

const rows = () => screen.getAllByRole('listitem').map((row) => /Hand \d+/.exec(row.textContent)?.[0])

test('what is written meanwhile moves no row: a press on one is a press on that one', async () => {
  const recorded = vi.spyOn(outbox, 'record').mockReturnValue(undefined)
  const { write } = opened(2)
  const [first = document.body] = await screen.findAllByRole('button', { name: 'Take back' })
  write()
  await screen.findByText('1 newer change')
  expect(rows()).toEqual(['Hand 2', 'Hand 1'])
  await userEvent.click(first)
  expect(recorded.mock.calls.map(([parcel]) => parcel)).toMatchObject([
    { change: { base: 2, commands: [{ value: 'Fen 1' }] } },
  ])
})

test('what was written meanwhile is shown where it is asked for', async () => {
  const { write } = opened(2)
  await screen.findAllByRole('button', { name: 'Take back' })
  write()
  write()
  await screen.findByText('2 newer changes')
  await userEvent.click(screen.getByRole('button', { name: 'Show' }))
  await vi.waitFor(() => expect(rows()).toEqual(['Hand 4', 'Hand 3', 'Hand 2', 'Hand 1']))
  expect(screen.queryByText(/newer change/)).toBeNull()
})

test('what does not fit at once comes where it is asked for, down to the first change', async () => {
  opened(changesAtOnce + 1)
  // By text: a hundred rows looked through by their roles take seconds here.
  const hands = () => screen.getAllByText(/^Hand \d+,/).map((hand) => hand.textContent.split(',')[0])
  await userEvent.click(await screen.findByText('Show older changes'))
  await screen.findByText(/^Hand 1,/)
  expect(hands()).toHaveLength(changesAtOnce + 1)
  expect(hands().at(0)).toBe(`Hand ${String(changesAtOnce + 1)}`)
  expect(screen.queryByText('Show older changes')).toBeNull()
})
