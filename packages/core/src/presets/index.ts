export { type LineTemplate, lineTemplates, type StageTemplate } from './line-templates.ts'
export {
  carePresets,
  detailPresets,
  handlingPresets,
  learningPreset,
  mishapPresets,
  mixingPreset,
  onPalette,
  openTimes,
  secondCoatChance,
  setUpPresets,
  sizePresets,
  spreadPresets,
  surfacePresets,
  extentPresets,
  techniquePresets,
  touchUpPresets,
} from './presets.ts'
export { kindPresets, materialOfKind, starterShelf } from './starter-shelf.ts'
export { type Factor, isBySmallParts, productOf, stepFactors, usualDemand } from './step-factors.ts'
