export { useAir, useAirChange } from './air.ts'
export { api, ApiProblem, ask, isAway, mayPass } from './client.ts'
export { broughtObservations, useBringRates, useHand } from './hand.ts'
export {
  createProject,
  exportProjectFile,
  importProjectFile,
  projectListQuery,
  setProjectRemoved,
  useProject,
  useProjectChange,
} from './projects.ts'
export { useShelf, useShelfChange } from './shelf.ts'
