export { api, ApiProblem, ask, isAway, NoAnswer } from './client.ts'
export {
  createProject,
  exportProjectFile,
  importProjectFile,
  projectListQuery,
  projectQuery,
  setProjectRemoved,
  useProject,
  useProjectChange,
  type ProjectChange,
} from './projects.ts'
