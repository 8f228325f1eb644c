export { askOrRemember, forgetProject, keepAnswers, logKey } from './keep-queries.ts'
export { forget, forgetAll, keep, readKept } from './kept.ts'
export { keepPages } from './keep-pages.ts'
