import type { Project } from '../trade/index.ts'
import { failure, type Result, success } from '../units/index.ts'
import type { Command, Listed, Neighbours, Thing } from './command.ts'
import { idOfThing, projectFields, collections, withProjectField } from './collections.ts'
import { sameJson } from './same-json.ts'

/** Why a command cannot be carried out on this state. */
export type CommandRefusal =
  /** What it changes, or what that stood in, is not there any more. */
  | { readonly kind: 'gone' }
  /** Another thing of this id is there already. */
  | { readonly kind: 'taken' }

/** The project with the command carried out; what it does not name stays the same object. */
export function applyCommand<P extends Project>(project: P, command: Command): Result<P, CommandRefusal> {
  if (command.kind === 'set' && command.thing === 'project')
    return success({ ...project, ...withProjectField(project, command.field, command.value) })
  return inRoom(project, command)
}

type ListedCommand = Exclude<Command, { thing: 'project' }>

function inRoom<P extends Project>(project: P, command: ListedCommand): Result<P, CommandRefusal> {
  const room = roomOf(command.thing)
  const list = room.list(project, command.in)
  if (!list) return failure({ kind: 'gone' })
  const place = list.findIndex((each) => idOfThing(each) === command.id)
  const here = list[place]
  const changed = (next: readonly Listed[Thing][]) =>
    success({ ...project, ...room.withList(project, command.in, next) })
  if (command.kind === 'put') {
    if (here) return sameJson(here, command.value) ? success(project) : failure({ kind: 'taken' })
    return changed(putBetween(list, command.value, command))
  }
  if (!here) return failure({ kind: 'gone' })
  switch (command.kind) {
    case 'set':
      return changed(list.map((each) => (each === here ? { ...each, [command.field]: command.value } : each)))
    case 'take':
      return changed(list.filter((each) => each !== here))
    case 'move':
      return changed(
        putBetween(
          list.filter((each) => each !== here),
          here,
          command,
        ),
      )
  }
}

function putBetween<T extends Listed[Thing]>(
  list: readonly T[],
  value: T,
  { after, before }: Neighbours,
): readonly T[] {
  const at = placeBetween(list.map(idOfThing), { after, before })
  return [...list.slice(0, at), value, ...list.slice(at)]
}

/** Where in a list of ids something with these neighbours comes to stand. */
export function placeBetween(ids: readonly string[], { after, before }: Neighbours): number {
  if (after === null) return 0
  const left = ids.indexOf(after)
  if (left >= 0) return left + 1
  const right = before === null ? -1 : ids.indexOf(before)
  return right >= 0 ? right : ids.length
}

/** What a field is now, or `undefined` when the thing is not there. */
export function valueNow(project: Project, command: Extract<Command, { kind: 'set' }>): unknown {
  if (command.thing === 'project') return projectFields(project)[command.field]
  const here = roomOf(command.thing)
    .list(project, command.in)
    ?.find((each) => idOfThing(each) === command.id)
  return here === undefined ? undefined : (here as unknown as Record<string, unknown>)[command.field]
}

/** A room whose thing is not known by its type: commands carry theirs along. */
interface AnyRoom {
  readonly list: (project: Project, inside: string | null) => readonly Listed[Thing][] | null
  readonly withList: (project: Project, inside: string | null, list: readonly Listed[Thing][]) => Project
}

function roomOf(thing: Thing): AnyRoom {
  return collections[thing] as unknown as AnyRoom
}
