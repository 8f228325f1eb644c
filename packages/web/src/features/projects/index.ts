export { ProjectsPage } from './ProjectsPage.tsx'
