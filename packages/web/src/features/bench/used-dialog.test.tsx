import { routes } from '@seriatim/contract'
import { starterShelf } from '@seriatim/core/presets'
import { textOfMix } from '@seriatim/core/mixing'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { cleanup, render, screen, waitFor } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { afterEach, expect, test, vi } from 'vitest'
import type { BenchTask } from './bench-task.ts'
import { UsedDialog } from './UsedDialog.tsx'

afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

/** The dialog, and what is noted in it. */
function opened() {
  const used = vi.fn<(text: string) => void>()
  const task = { stage: { name: 'Base', material: 'moss green', steps: [] }, modelIds: ['a'], batch: {} }
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } })
  render(
    <QueryClientProvider client={client}>
      <UsedDialog
        task={task as unknown as BenchTask}
        project={{ recipes: [] } as never}
        onClose={() => undefined}
        onUsed={(mix) => used(textOfMix(mix, new Map(starterShelf.map((each) => [each.id, each]))))}
      />
    </QueryClientProvider>,
  )
  return used
}

test('before the shelf is read no paint is said to be missing, and what was typed is noted when it has come', async () => {
  let comes: () => void = () => undefined
  const answer = new Promise<Response>((resolve) => {
    comes = () => resolve(Response.json(routes.readShelf.answer.encode({ materials: [...starterShelf] })))
  })
  vi.stubGlobal('fetch', () => answer)
  const used = opened()
  const user = userEvent.setup()
  await user.type(screen.getByLabelText('What was used'), '2:1 moss green to pale bone{Enter}')
  expect(screen.queryByRole('alert')).toBeNull()
  comes()
  await user.click(await screen.findByRole('button', { name: 'Save' }))
  expect(used.mock.calls).toEqual([['2 moss green to 1 pale bone']])
})

test('where the shelf cannot be read it says so, and asks again where it is told to', async () => {
  const problem = { type: 'urn:seriatim:problem:internal', title: 'Fault', status: 500, detail: 'It broke.' }
  const answers = [Response.json(problem, { status: 500 })]
  vi.stubGlobal('fetch', () =>
    Promise.resolve(
      answers.shift() ?? Response.json(routes.readShelf.answer.encode({ materials: [...starterShelf] })),
    ),
  )
  const used = opened()
  const user = userEvent.setup()
  await user.type(screen.getByLabelText('What was used'), 'moss green')
  expect((await screen.findByRole('alert')).textContent).toContain('It broke.')
  expect(screen.queryByText('Reading the shelf …')).toBeNull()
  await user.click(screen.getByRole('button', { name: 'Try again' }))
  await user.click(await screen.findByRole('button', { name: 'Save' }))
  await waitFor(() => expect(used.mock.calls).toEqual([['moss green']]))
})
