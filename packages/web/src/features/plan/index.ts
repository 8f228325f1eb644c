export { PlanPage } from './PlanPage.tsx'
