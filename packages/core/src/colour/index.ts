export { coatOver, colourDifference, type Hex, hueOf, lightness, mixedColour, parseHex } from './colour.ts'
