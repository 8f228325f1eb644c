import type { Project } from '../trade/index.ts'
import { valueNow } from './apply-command.ts'
import type { Command, Neighbours } from './command.ts'
import { idOfThing, collections } from './collections.ts'

/** The command that takes this one back, made from the state before it; `null` where it would change nothing. */
export function invertCommand(before: Project, command: Command): Command | null {
  if (command.kind === 'set') {
    const value = valueNow(before, command)
    return value === undefined ? null : ({ ...command, value } as Command)
  }
  const list = collections[command.thing].list(before, command.in) ?? []
  const place = list.findIndex((each) => idOfThing(each) === command.id)
  const here = list[place]
  if (command.kind === 'put') {
    const { thing, id } = command
    return here ? null : { kind: 'take', thing, id, in: command.in }
  }
  if (!here) return null
  const where = neighboursAt(list.map(idOfThing), place)
  return command.kind === 'take'
    ? ({ ...command, kind: 'put', value: here, ...where } as Command)
    : { ...command, ...where }
}

/** The ids on both sides of a place. */
export function neighboursAt(ids: readonly string[], place: number): Neighbours {
  return { after: ids[place - 1] ?? null, before: ids[place + 1] ?? null }
}
