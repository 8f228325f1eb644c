export { SessionsPage } from './SessionsPage.tsx'
