export { PilotPage } from './PilotPage.tsx'
