import { expect, it } from 'vitest'
import { shareDoneText } from './share-done.ts'

it('says a hundred percent only when all is done, and every whole percent as it is', () => {
  expect(shareDoneText(1)).toBe('100 %')
  expect(shareDoneText(0.999)).toBe('99 %')
  expect(shareDoneText(0)).toBe('0 %')
  for (let percent = 0; percent <= 100; percent += 1)
    expect(shareDoneText(percent / 100)).toBe(`${String(percent)} %`)
})
