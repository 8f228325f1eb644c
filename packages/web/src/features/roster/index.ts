export { RosterPage } from './RosterPage.tsx'
