export {
  asRedGreenBlind,
  coatOver,
  colourDifference,
  greyOf,
  type Hex,
  hueOf,
  lightness,
  mixedColour,
  parseHex,
} from './colour.ts'
