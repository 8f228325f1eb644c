import { cleanup, render, screen } from '@testing-library/react'
import { afterEach, expect, it } from 'vitest'
import { ErrorState, LoadingState } from './states.tsx'

afterEach(cleanup)

it('a page that is loading or failed has its heading, and a part of a page leaves it to the page', () => {
  const { rerender } = render(<LoadingState what="the bench" />)
  expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('Loading the bench …')
  rerender(<LoadingState what="the members" isPart />)
  expect(screen.queryByRole('heading')).toBeNull()
  expect(screen.getByRole('status').textContent).toBe('Loading the members …')
  rerender(<ErrorState error={new Error('Out of ink.')} />)
  expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('This did not work')
  rerender(<ErrorState error={new Error('Out of ink.')} isPart />)
  expect(screen.getByRole('heading', { level: 2 }).textContent).toBe('This did not work')
  expect(screen.getByRole('alert').textContent).toContain('Out of ink.')
})
