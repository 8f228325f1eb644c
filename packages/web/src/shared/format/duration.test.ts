import { describe, expect, it } from 'vitest'
import { durationText, minutesInputText, parseMinutesText, stopwatchText, waitRangeText } from './duration.ts'

describe('durationText', () => {
  it.each([
    [0, '0 s'],
    [45, '45 s'],
    [90, '1½ min'],
    [100, '2 min'],
    [3540, '59 min'],
    [3599, '1 h'],
    [3660, '1 h 01'],
    [86_400, '24 h'],
    [172_800, '2 days'],
    [-5, '0 s'],
  ])('%i s is %s', (seconds, text) => {
    expect(durationText(seconds)).toBe(text)
  })
})

describe('stopwatchText', () => {
  it.each([
    [0, '0:00'],
    [69, '1:09'],
    [3750, '1:02:30'],
    [-3, '0:00'],
  ])('%i s is %s', (seconds, text) => {
    expect(stopwatchText(seconds)).toBe(text)
  })
})

describe('waitRangeText', () => {
  it.each([
    [0, 0, 'none'],
    [900, 1800, '15–30 min'],
    [600, 600, '10 min'],
    [1800, 7200, '30 min – 2 h'],
  ])('%i to %i is %s', (min, max, text) => {
    expect(waitRangeText(min, max)).toBe(text)
  })
})

describe('parseMinutesText', () => {
  it.each([
    ['4', 240],
    ['4.5', 270],
    ['4,5', 270],
    ['4½', 270],
    ['½', 30],
    ['1:30', 90],
    ['40 s', 40],
    ['2 h', 7200],
    ['1 h 30', 5400],
    ['1.5h', 5400],
    ['10 min', 600],
    [' 3 ', 180],
    ['0', 0],
    ['', null],
    ['-4', null],
    ['soon', null],
    ['1:75', null],
    ['4 5', null],
  ])('“%s” is %s', (text, seconds) => {
    expect(parseMinutesText(text)).toBe(seconds)
  })

  it('reads back what the input shows, for every second up to two hours', () => {
    for (let seconds = 0; seconds <= 7200; seconds++) {
      expect(parseMinutesText(minutesInputText(seconds))).toBe(seconds)
    }
  })

  it('reads back every duration that is shown', () => {
    for (const minutes of [1, 2.5, 45, 60, 61, 125, 24 * 60, 48 * 60, 49 * 60 + 5, 120 * 60, 336 * 60])
      expect(parseMinutesText(durationText(minutes * 60))).toBe(minutes * 60)
    expect(parseMinutesText('1 day 6 h')).toBe(30 * 3600)
  })
})
