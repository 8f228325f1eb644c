import { cleanup, render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { afterEach, expect, test, vi } from 'vitest'
import { Later } from './later.tsx'

afterEach(cleanup)

const part = { Chart: () => <p>a chart</p> }
const shown = (load: () => Promise<typeof part>, quiet = false) =>
  render(
    <>
      <p>the page</p>
      <Later load={load} name="The chart" quiet={quiet}>
        {({ Chart }) => <Chart />}
      </Later>
    </>,
  )

test('a part that cannot be loaded says so in its place, the page stays, and it is tried again', async () => {
  const load = vi
    .fn<() => Promise<typeof part>>()
    .mockRejectedValueOnce(new TypeError())
    .mockResolvedValue(part)
  shown(load)
  expect(screen.getByText('The chart: loading …')).toBeDefined()
  expect(await screen.findByText(/^The chart cannot be loaded now/)).toBeDefined()
  expect(screen.getByText('the page')).toBeDefined()
  await userEvent.click(screen.getByRole('button', { name: 'Try again' }))
  expect(await screen.findByText('a chart')).toBeDefined()
})

test('it is tried again by itself when the network comes back', async () => {
  const load = vi
    .fn<() => Promise<typeof part>>()
    .mockRejectedValueOnce(new TypeError())
    .mockResolvedValue(part)
  shown(load)
  await screen.findByText(/^The chart cannot be loaded now/)
  window.dispatchEvent(new Event('online'))
  expect(await screen.findByText('a chart')).toBeDefined()
  expect(load).toHaveBeenCalledTimes(2)
})

test('a quiet part says nothing while it is on its way', async () => {
  const { container } = shown(() => Promise.resolve(part), true)
  expect(container.textContent).toBe('the page')
  expect(await screen.findByText('a chart')).toBeDefined()
})
