export { HoursPage } from './HoursPage.tsx'
