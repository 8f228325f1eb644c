export { LogbookPage } from './LogbookPage.tsx'
