export { NewProjectPage } from './NewProjectPage.tsx'
