import { cleanup, render, screen, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { useState } from 'react'
import { afterEach, expect, test, vi } from 'vitest'
import { BringCsvDialog } from './BringCsvDialog.tsx'
import type { CsvReader } from './csv-reader.ts'

interface Pot {
  readonly name: string
  readonly count: number
}

const reader = (usualOrder: CsvReader<Pot>['usualOrder']): CsvReader<Pot> => ({
  columns: ['name', 'count'],
  needed: ['name'],
  usualOrder,
  most: 20,
  begin: () => (cell, complain) => {
    const count = Number(cell('count') || '1')
    if (!Number.isInteger(count)) complain('count', `“${cell('count')}” is no number.`)
    if (cell('name') === '') complain('name', 'The name is missing.')
    return { name: cell('name'), count }
  },
})

const onTake = vi.fn<(values: readonly Pot[]) => void>()

function Page({ usualOrder = null }: { readonly usualOrder?: CsvReader<Pot>['usualOrder'] }) {
  const [open, setOpen] = useState(true)
  const [own] = useState(() => reader(usualOrder))
  return (
    <BringCsvDialog
      open={open}
      onOpenChange={setOpen}
      title="Pots from CSV"
      description="Name and count."
      placeholder="name,count"
      reader={own}
      what={['pot', 'pots']}
      onTake={onTake}
    />
  )
}

afterEach(() => {
  cleanup()
  onTake.mockReset()
})

const paste = async (text: string) => {
  const user = userEvent.setup()
  await user.click(screen.getByLabelText('Or paste it here'))
  await user.paste(text)
  return user
}
const taken = () => onTake.mock.calls.map(([values]) => values.map(({ name, count }) => [name, count]))

test('good rows are taken, faulty ones stay and are mended in their cells', async () => {
  render(<Page />)
  const user = await paste('name,count\nmoss,3\nrust,ten\nbone,\n,4')
  expect(screen.getByRole('status').textContent).toBe('2 rows to be mended stay here.')
  await user.click(screen.getByRole('button', { name: 'Take 2 pots' }))
  expect(taken()).toEqual([
    [
      ['moss', 3],
      ['bone', 1],
    ],
  ])
  expect(screen.getByRole('status').textContent).toBe('2 pots taken. 2 rows to be mended stay here.')
  const count = screen.getByLabelText('Line 3: count')
  expect(count.getAttribute('aria-invalid')).toBe('true')
  await user.clear(count)
  await user.type(count, '10')
  // Good after the first figure already, and still under the fingers.
  expect(document.activeElement).toBe(screen.getByLabelText('Line 3: count'))
  await user.type(screen.getByLabelText('Line 5: name'), 'soot')
  await user.click(screen.getByRole('button', { name: 'Take 2 pots' }))
  expect(taken()[1]).toEqual([
    ['rust', 10],
    ['soot', 4],
  ])
  expect(screen.queryByRole('dialog')).toBeNull()
})

test('columns by other names are known, or said by hand', async () => {
  render(<Page />)
  const user = await paste('Colour name;Qty;Shop\nmoss;3;corner\nrust;4;market')
  expect(screen.getByRole('alert').textContent).toContain('No column is “name”')
  expect(screen.getByRole('button', { name: 'Take the pots' }).hasAttribute('disabled')).toBe(true)
  expect(screen.getByLabelText<HTMLSelectElement>('“Qty” is').value).toBe('count')
  await user.selectOptions(screen.getByLabelText('“Colour name” is'), 'name')
  expect(screen.queryByRole('alert')).toBeNull()
  // One of ours is one of theirs.
  await user.selectOptions(screen.getByLabelText('“Shop” is'), 'name')
  expect(screen.getByLabelText<HTMLSelectElement>('“Colour name” is').value).toBe('')
  await user.selectOptions(screen.getByLabelText('“Colour name” is'), 'name')
  await user.click(screen.getByRole('button', { name: 'Take 2 pots' }))
  expect(taken()).toEqual([
    [
      ['moss', 3],
      ['rust', 4],
    ],
  ])
})

test('a first line is a heading or a row, as is said', async () => {
  render(<Page usualOrder={['name', 'count']} />)
  const user = await paste('pigment,tins\nmoss,3')
  const heading = screen.getByLabelText<HTMLInputElement>('The first line names the columns')
  expect(heading.checked).toBe(false)
  expect(screen.getByLabelText('Line 1: count')).toBeTruthy()
  await user.click(heading)
  await user.selectOptions(screen.getByLabelText('“pigment” is'), 'name')
  await user.selectOptions(screen.getByLabelText('“tins” is'), 'count')
  const rows = within(screen.getByRole('table')).getAllByRole('row')
  expect(rows.map((row) => row.textContent)).toEqual(['LinenamecountState', '2moss3good'])
  await user.click(screen.getByRole('button', { name: 'Take 1 pot' }))
  expect(taken()).toEqual([[['moss', 3]]])
})

test('too many rows, and cells without a column, are said', async () => {
  render(<Page />)
  const user = await paste(`name\n${Array.from({ length: 21 }, () => 'moss').join('\n')}`)
  expect(screen.getByRole('alert').textContent).toBe('Up to 20 rows at a time; these are 21.')
  await user.clear(screen.getByLabelText('Or paste it here'))
  await user.paste('name,count\nmoss,1,25')
  expect(screen.getByText(/more cells than columns/)).toBeTruthy()
  await user.clear(screen.getByLabelText('Line 2: count'))
  await user.type(screen.getByLabelText('Line 2: count'), '2')
  expect(screen.getByRole('button', { name: 'Take 1 pot' })).toBeTruthy()
})

test('a closed dialog forgets what was pasted', async () => {
  render(<Page />)
  const user = await paste('name\nmoss')
  await user.keyboard('{Escape}')
  expect(screen.queryByRole('dialog')).toBeNull()
  expect(onTake).not.toHaveBeenCalled()
})
