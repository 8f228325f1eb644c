export { ClientViewPage } from './ClientViewPage.tsx'
