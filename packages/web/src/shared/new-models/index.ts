export { grownBy, modelsOfSets, type RosterLine, unitsOf } from './new-models.ts'
export { parseSets } from './parse-sets.ts'
