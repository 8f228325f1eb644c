export { useAir, useAirChange } from './air.ts'
export { ApiProblem, call, isAway, isMissing, isTooLarge, mayPass, onSignInNeeded } from './call.ts'
export {
  readShared,
  useAcceptQuote,
  useClientChange,
  useClients,
  useCommission,
  useLinkChange,
  useMakeQuote,
  usePrices,
  useSetPrices,
} from './commissions.ts'
export { useChooseHours, useHoursOf, useNameStudio, useStudioName } from './desk.ts'
export { everyProject, useBringRates, useHand } from './hand.ts'
export { useKeyChange, useKeys } from './keys.ts'
export { useLibrary } from './library.ts'
export { changePassword, chooseStudio, meQuery, signIn, signOut, useMe } from './me.ts'
export { useMemberChange, useMembers, type NewMember, type Told } from './members.ts'
export {
  exportProjectFile,
  exportStudioFile,
  importProjectFile,
  importStudioFile,
  projectListQuery,
  projectQuery,
  setProjectRemoved,
  sayFinish,
} from './projects.ts'
export { usePhotoChange, usePhotos, usePicture, useSharedPicture } from './photos.ts'
export { keptPlanQuery, sayPlan } from './plans.ts'
export { useShelf, useShelfChange } from './shelf.ts'
