export { useNews } from './use-news.ts'
export { useIsRemembered, useProgress } from './use-progress.ts'
export { progressStore, sourceOf } from './progress-store.ts'
export { useRecorder, type Judged } from './use-recorder.ts'
