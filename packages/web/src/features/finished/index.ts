export { FinishedPage } from './FinishedPage.tsx'
