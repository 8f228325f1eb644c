export { CommissionPage } from './CommissionPage.tsx'
export { CommissionsPage } from './CommissionsPage.tsx'
export { QuotePage } from './QuotePage.tsx'
