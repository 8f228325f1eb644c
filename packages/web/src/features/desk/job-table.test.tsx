import { plainPlanning, type Project } from '@seriatim/core/trade'
import type { Instant, ProjectId } from '@seriatim/core/units'
import { cleanup, render, screen, within } from '@testing-library/react'
import { MemoryRouter } from 'react-router'
import { afterEach, expect, test, vi } from 'vitest'
import type { JobShown } from '../../shared/worker/index.ts'
import { JobTable } from './JobTable.tsx'

afterEach(cleanup)

const at = (date: string) => Date.parse(`${date}T20:00:00Z`) as Instant
const reed = 'reed' as ProjectId
const jobs = [reed, 'eel' as ProjectId].map(
  (id) => ({ id, name: `Job ${id}`, units: [], dueOn: null, planning: plainPlanning }) as unknown as Project,
)
const laid = (doneAt: string): JobShown => ({
  projectId: reed,
  doneAt: at(doneAt),
  aloneAt: at('2026-12-01'),
  due: null,
})
const drawn = (doneAt: string, doneBy: string): JobShown => ({
  ...laid(doneAt),
  doneBy: at(doneBy),
  odds: null,
})

function shown(now: JobShown, before: JobShown | null, isWorking = false) {
  render(
    <MemoryRouter>
      <JobTable
        hours={null}
        jobs={jobs}
        shown={[now]}
        before={before && [before]}
        isWorking={isWorking}
        timeZone="UTC"
        left={new Set()}
        rush={null}
        onLeft={vi.fn()}
        onRush={vi.fn()}
      />
    </MemoryRouter>,
  )
  return within(screen.getByRole('row', { name: /Job reed/ }))
}

test('a plan that is laid says its day if all goes well, and its odds follow', () => {
  const row = shown(laid('2026-12-04'), null)
  expect(row.getByText('Fri 4 Dec if all goes well')).toBeDefined()
  expect(row.queryByText(/8 of 10|sooner|later/)).toBeNull()
})

test('what a rush job costs is said as soon as it is laid: by the plan against the plan', () => {
  const row = shown(laid('2026-12-06'), drawn('2026-12-04', '2026-12-09'))
  expect(row.getByText('2 days later if all goes well')).toBeDefined()
})

test('once it is drawn, days that hold are compared with days that hold', () => {
  const row = shown(drawn('2026-12-06', '2026-12-12'), drawn('2026-12-04', '2026-12-09'))
  expect(row.getByText('Sat 12 Dec')).toBeDefined()
  expect(row.getByText('3 days later')).toBeDefined()
})

test('while a wish is worked out it says so, and nothing is told as if it were its answer', () => {
  const row = shown(drawn('2026-12-04', '2026-12-09'), null, true)
  expect(row.queryByText(/later|sooner|as before/)).toBeNull()
  expect(screen.getByText('Working out what if …')).toBeDefined()
})
