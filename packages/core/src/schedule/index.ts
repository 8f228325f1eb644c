export { type TouchUpPart, touchUpParts } from './instance.ts'
