export { openDoor } from './door.ts'
export { hasOwner, insertStudio } from './repository.ts'
export { moveIn } from './service.ts'
