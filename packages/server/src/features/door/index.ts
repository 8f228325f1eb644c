export { openDoor } from './door.ts'
export { hasOwner, insertStudio } from './repository.ts'
export { addMember, moveIn } from './service.ts'
