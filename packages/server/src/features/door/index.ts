export { openDoor } from './door.ts'
export { hasOwner } from './repository.ts'
export { addMember } from './service.ts'
