import { describe, expect, it } from 'vitest'
import { colourDifference, coatOver, labDifference, lightness, mixedColour, parseHex } from './colour.ts'

/** The 34 pairs published by Sharma, Wu & Dalal (2005), table 1: L*, a*, b* of both, and their difference. */
const pairs: readonly (readonly number[])[] = [
  [50, 2.6772, -79.7751, 50, 0, -82.7485, 2.0425],
  [50, 3.1571, -77.2803, 50, 0, -82.7485, 2.8615],
  [50, 2.8361, -74.02, 50, 0, -82.7485, 3.4412],
  [50, -1.3802, -84.2814, 50, 0, -82.7485, 1.0],
  [50, -1.1848, -84.8006, 50, 0, -82.7485, 1.0],
  [50, -0.9009, -85.5211, 50, 0, -82.7485, 1.0],
  [50, 0, 0, 50, -1, 2, 2.3669],
  [50, -1, 2, 50, 0, 0, 2.3669],
  [50, 2.49, -0.001, 50, -2.49, 0.0009, 7.1792],
  [50, 2.49, -0.001, 50, -2.49, 0.001, 7.1792],
  [50, 2.49, -0.001, 50, -2.49, 0.0011, 7.2195],
  [50, 2.49, -0.001, 50, -2.49, 0.0012, 7.2195],
  [50, -0.001, 2.49, 50, 0.0009, -2.49, 4.8045],
  [50, -0.001, 2.49, 50, 0.001, -2.49, 4.8045],
  [50, -0.001, 2.49, 50, 0.0011, -2.49, 4.7461],
  [50, 2.5, 0, 50, 0, -2.5, 4.3065],
  [50, 2.5, 0, 73, 25, -18, 27.1492],
  [50, 2.5, 0, 61, -5, 29, 22.8977],
  [50, 2.5, 0, 56, -27, -3, 31.903],
  [50, 2.5, 0, 58, 24, 15, 19.4535],
  [50, 2.5, 0, 50, 3.1736, 0.5854, 1.0],
  [50, 2.5, 0, 50, 3.2972, 0, 1.0],
  [50, 2.5, 0, 50, 1.8634, 0.5757, 1.0],
  [50, 2.5, 0, 50, 3.2592, 0.335, 1.0],
  [60.2574, -34.0099, 36.2677, 60.4626, -34.1751, 39.4387, 1.2644],
  [63.0109, -31.0961, -5.8663, 62.8187, -29.7946, -4.0864, 1.263],
  [61.2901, 3.7196, -5.3901, 61.4292, 2.248, -4.962, 1.8731],
  [35.0831, -44.1164, 3.7933, 35.0232, -40.0716, 1.5901, 1.8645],
  [22.7233, 20.0904, -46.694, 23.0331, 14.973, -42.5619, 2.0373],
  [36.4612, 47.858, 18.3852, 36.2715, 50.5065, 21.2231, 1.4146],
  [90.8027, -2.0831, 1.441, 91.1528, -1.6435, 0.0447, 1.4441],
  [90.9257, -0.5406, -0.9208, 88.6381, -0.8985, -0.7239, 1.5381],
  [6.7747, -0.2908, -2.4247, 5.8714, -0.0985, -2.2286, 0.6377],
  [2.0776, 0.0795, -1.135, 0.9033, -0.0636, -0.5514, 0.9082],
]

describe('colours', () => {
  it.each(pairs)(
    'differ as published: %j',
    (l1 = 0, a1 = 0, b1 = 0, l2 = 0, a2 = 0, b2 = 0, published = 0) => {
      expect(labDifference({ l: l1, a: a1, b: b1 }, { l: l2, a: a2, b: b2 })).toBeCloseTo(published, 4)
    },
  )

  it('have a lightness from black to white', () => {
    expect(lightness('#000000')).toBeCloseTo(0)
    expect(lightness('#ffffff')).toBeCloseTo(100)
    expect(colourDifference('#5f7b46', '#5f7b46')).toBe(0)
  })

  it('are read only as #rrggbb', () => {
    expect(parseHex(' #5F7B46 ')).toBe('#5f7b46')
    for (const text of ['', 'green', '#fff', '#12345g', '5f7b46']) expect(parseHex(text)).toBeNull()
  })

  it('blue and yellow stirred together come to a green, not to grey', () => {
    const mixed = mixedColour([
      { colour: '#1f4fa0', parts: 1 },
      { colour: '#f0d020', parts: 1 },
    ])
    expect(colourDifference(mixed ?? '#000000', '#4f8a3c')).toBeLessThan(25)
    expect(mixedColour([{ colour: '#5f7b46', parts: 3 }])).toBe('#5f7b46')
    expect(mixedColour([])).toBeNull()
  })

  it('a translucent coat vanishes over black and shows over white', () => {
    const over = (under: '#101010' | '#808080' | '#f5f2ea') => lightness(coatOver('#5f7b46', 0.25, under))
    expect(over('#f5f2ea')).toBeGreaterThan(over('#808080'))
    expect(over('#808080')).toBeGreaterThan(over('#101010'))
    expect(colourDifference(coatOver('#5f7b46', 1, '#101010'), '#5f7b46')).toBeLessThan(0.5)
    expect(colourDifference(coatOver('#5f7b46', 0.25, '#ffffff'), '#5f7b46')).toBeLessThan(0.5)
  })
})
