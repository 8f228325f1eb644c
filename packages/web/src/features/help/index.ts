export { HelpPage } from './HelpPage.tsx'
export { KeysDialog } from './KeysDialog.tsx'
