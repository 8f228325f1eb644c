export { type Case, readCase } from './read-case.ts'
export { readJobShop } from './read-shop.ts'
export { solveCase, type SolvedCase } from './solve-case.ts'
