import fc from 'fast-check'
import jstat from 'jstat'
import { describe, expect, test } from 'vitest'
import { normalQuantile, studentQuantile } from './quantiles.ts'

// M. Abramowitz, I. A. Stegun, Handbook of Mathematical Functions (1964), tables 26.5 and 26.10.
const normals = [
  { share: 0.5, value: 0 },
  { share: 0.75, value: 0.67449 },
  { share: 0.9, value: 1.28155 },
  { share: 0.95, value: 1.64485 },
  { share: 0.99, value: 2.32635 },
  { share: 0.999, value: 3.09023 },
]
const students = [
  { freedom: 4, value: 1.533 },
  { freedom: 6, value: 1.44 },
  { freedom: 10, value: 1.372 },
  { freedom: 30, value: 1.31 },
  { freedom: 120, value: 1.289 },
]

describe('quantiles', () => {
  test.each(normals)('of a normal variable: $share as in the table', ({ share, value }) => {
    expect(normalQuantile(share)).toBeCloseTo(value, 5)
    expect(normalQuantile(1 - share)).toBeCloseTo(-value, 5)
  })

  test.each(students)('nine in ten of Student’s t with $freedom degrees of freedom', ({ freedom, value }) => {
    expect(studentQuantile(0.9, freedom)).toBeCloseTo(value, 3)
  })

  test('agree with another program', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1e-12, max: 1 - 1e-12, noNaN: true }),
        fc.double({ min: 0.1, max: 0.9, noNaN: true }),
        fc.double({ min: 4, max: 400, noNaN: true }),
        (share, usual, freedom) => {
          const known = jstat.normal.inv(share, 0, 1)
          expect(Math.abs(normalQuantile(share) - known)).toBeLessThan(1e-6 * Math.max(1, Math.abs(known)))
          expect(studentQuantile(usual, freedom)).toBeCloseTo(jstat.studentt.inv(usual, freedom), 3)
        },
      ),
    )
  })
})
