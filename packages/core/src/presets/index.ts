export { type LineTemplate, lineTemplates, type StageTemplate } from './line-templates.ts'
export { mishapPresets, sizePresets } from './presets.ts'
export { kindPresets, materialOfKind, starterShelf } from './starter-shelf.ts'
export { productOf } from './step-factors.ts'
