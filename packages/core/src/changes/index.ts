export { applyCommand, placeBetween, valueNow, type CommandRefusal } from './apply-command.ts'
export { carryOut, type CarriedOut, type CommandVerdict } from './carry-out.ts'
export { clashes, touchedBy } from './clashes.ts'
export type {
  Command,
  Fields,
  Listed,
  MoveCommand,
  Neighbours,
  ProjectFields,
  PutCommand,
  SetCommand,
  TakeCommand,
  Thing,
  ThingRef,
} from './command.ts'
export { commandsBetween } from './commands-between.ts'
export { invertCommand } from './invert-command.ts'
export { projectFields } from './rooms.ts'
export { sameJson } from './same-json.ts'
export { withoutDangling } from './without-dangling.ts'
