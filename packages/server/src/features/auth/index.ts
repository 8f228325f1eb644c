export { openAuth } from './auth.ts'
export { hasOwner, insertStudio } from './repository.ts'
export { moveIn } from './service.ts'
