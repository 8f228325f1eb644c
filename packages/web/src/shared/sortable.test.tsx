import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { useState } from 'react'
import { afterEach, expect, test } from 'vitest'
import { MoveHandle, SortableRows, useSortableRow } from './sortable.tsx'

afterEach(cleanup)

function Row({ id, onMove }: { readonly id: string; readonly onMove: (by: -1 | 1) => void }) {
  const { row, handle } = useSortableRow(id)
  return (
    <li {...row}>
      <MoveHandle name={id} handle={handle} onMove={onMove} />
      {id}
    </li>
  )
}

function List() {
  const [ids, setIds] = useState(['prime', 'skin', 'coat', 'edge'])
  const move = (from: number, to: number) => {
    if (to < 0 || to >= ids.length) return
    const next = [...ids]
    next.splice(to, 0, ...next.splice(from, 1))
    setIds(next)
  }
  return (
    <SortableRows ids={ids} onMove={move}>
      <ol>
        {ids.map((id, index) => (
          <Row key={id} id={id} onMove={(by) => move(index, index + by)} />
        ))}
      </ol>
    </SortableRows>
  )
}

const order = () => screen.getAllByRole('listitem').map((row) => row.textContent)
const press = (name: string, key: string) =>
  fireEvent.keyDown(screen.getByRole('button', { name: `Move ${name}` }), { key })

test('keys move a row at once, however fast they follow each other, and not beyond the ends', () => {
  render(<List />)
  for (const key of ['ArrowDown', 'ArrowDown', 'ArrowUp']) press('prime', key)
  expect(order()).toEqual(['skin', 'prime', 'coat', 'edge'])
  for (const key of ['ArrowDown', 'ArrowDown', 'ArrowDown']) press('prime', key)
  expect(order()).toEqual(['skin', 'coat', 'edge', 'prime'])
  press('skin', 'ArrowUp')
  press('skin', 'Enter')
  expect(order()).toEqual(['skin', 'coat', 'edge', 'prime'])
})

test('the handle keeps the focus while its row moves', () => {
  render(<List />)
  screen.getByRole('button', { name: 'Move coat' }).focus()
  press('coat', 'ArrowUp')
  press('coat', 'ArrowUp')
  expect(order()[0]).toBe('coat')
  expect(document.activeElement).toBe(screen.getByRole('button', { name: 'Move coat' }))
})
