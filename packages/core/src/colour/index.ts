export { coatOver, colourDifference, type Hex, parseHex } from './colour.ts'
