import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { ProgressEvent } from '../progress/event.ts'
import { createProgressLog, type ProgressLog } from '../progress/progress-log.ts'
import type { Project } from '../trade/project.ts'
import { eventId, noon, project, stage, unit } from '../testing/builders.ts'
import type { DeviceId } from '../units/ids.ts'
import { addSeconds } from '../units/instant.ts'
import { applyCommand } from './apply-command.ts'
import { applyChange, type CommandVerdict } from './apply-change.ts'
import type { Command } from './command.ts'
import { commandsBetween } from './commands-between.ts'

interface Change {
  readonly id: string
  readonly device: number
  readonly number: number
  readonly base: number
  readonly own: number
  readonly commands: readonly Command[]
}

/** A server as the real one is, without its database. */
class Server {
  project: Project
  revision = 0
  readonly log: { change: Change; revision: number; touched: readonly string[]; done: readonly Command[] }[] =
    []
  readonly verdicts = new Map<string, readonly CommandVerdict[]>()
  readonly events: ProgressEvent[] = []
  readonly done = new Set<Command>()

  constructor(start: Project) {
    this.project = start
  }

  take(change: Change): readonly CommandVerdict[] {
    const known = this.verdicts.get(change.id)
    if (known) return known
    const touched = new Set(
      this.log
        .filter(
          (each) =>
            each.revision > change.base &&
            !(each.change.device === change.device && each.change.number <= change.own),
        )
        .flatMap((each) => each.touched),
    )
    const carried = applyChange(this.project, change.commands, touched)
    change.commands.forEach((command, index) => {
      if (carried.verdicts[index]?.kind === 'done') this.done.add(command)
    })
    if (carried.touched.length > 0) {
      this.project = carried.project
      this.revision += 1
      const done = change.commands.filter((_, index) => carried.verdicts[index]?.kind === 'done')
      this.log.push({ change, revision: this.revision, touched: carried.touched, done })
      this.verdicts.set(change.id, carried.verdicts)
    }
    return carried.verdicts
  }

  record(event: ProgressEvent): void {
    if (!this.events.some((each) => each.id === event.id)) this.events.push(event)
  }
}

/** A device as the real one is: what it knows of the server, and what waits over it. */
class Device {
  readonly waiting: Change[] = []
  readonly unsent: ProgressEvent[] = []
  readonly refused: Command[] = []
  readonly log: ProgressLog = createProgressLog()
  private known: Project
  private revision = 0
  private number = 0
  private readonly place: number
  private readonly server: Server

  constructor(place: number, server: Server) {
    this.place = place
    this.server = server
    this.known = server.project
  }

  shown(): Project {
    return this.waiting
      .flatMap((change) => change.commands)
      .reduce((now, command) => {
        const next = applyCommand(now, command)
        return next.ok ? next.value : now
      }, this.known)
  }

  edit(change: (shown: Project) => Project): void {
    const shown = this.shown()
    const commands = commandsBetween(shown, change(shown))
    if (commands.length === 0) return
    const own = this.number
    this.number += 1
    const id = `${String(this.place)}-${String(this.number)}`
    this.waiting.push({ id, device: this.place, number: this.number, base: this.revision, own, commands })
    // It is on the screen at once.
    expect(commandsBetween(this.shown(), change(shown))).toEqual([])
  }

  record(event: ProgressEvent): void {
    this.unsent.push(event)
    this.log.add([event])
  }

  /** Sends the oldest of each; an answer that is lost leaves it waiting, to be sent again. */
  deliver(isAnswerLost: boolean): void {
    const [change] = this.waiting
    if (change) {
      const verdicts = this.server.take(change)
      if (!isAnswerLost) {
        this.waiting.shift()
        this.refused.push(...change.commands.filter((_, index) => verdicts[index]?.kind !== 'done'))
        this.read()
      }
    }
    const [event] = this.unsent
    if (event) {
      this.server.record(event)
      if (!isAnswerLost) this.unsent.shift()
    }
  }

  read(): void {
    this.known = this.server.project
    this.revision = this.server.revision
    this.log.add(this.server.events)
  }
}

const anyEdit = fc.oneof(
  fc.record({ kind: fc.constant('size' as const), to: fc.integer({ min: 1, max: 9 }) }),
  fc.record({ kind: fc.constant('name' as const), to: fc.constantFrom('Fen', 'Weir', 'Sluice') }),
  fc.record({ kind: fc.constant('holder' as const), to: fc.integer({ min: 1, max: 9 }) }),
  fc.record({ kind: fc.constant('move' as const), to: fc.nat({ max: 4 }) }),
  fc.record({ kind: fc.constant('more' as const), to: fc.nat({ max: 1000 }) }),
  fc.record({ kind: fc.constant('drop stage' as const), to: fc.nat({ max: 4 }) }),
  fc.record({ kind: fc.constant('drop unit' as const), to: fc.constant(0) }),
)

type Edit = typeof anyEdit extends fc.Arbitrary<infer E> ? E : never

function made(edit: Edit, device: number, step: number): (shown: Project) => Project {
  return (shown) => {
    const [first, ...others] = shown.units
    switch (edit.kind) {
      case 'size':
        return { ...shown, batchSize: edit.to }
      case 'name':
        return { ...shown, name: edit.to }
      case 'holder':
        return first ? { ...shown, units: [{ ...first, perHolder: edit.to }, ...others] } : shown
      case 'move': {
        const [head, ...rest] = shown.line
        return head ? { ...shown, line: rest.toSpliced(edit.to, 0, head) } : shown
      }
      case 'more': {
        const [model] = unit(`m${String(device)}-${String(step)}`, 1).models
        return first && model
          ? { ...shown, units: [{ ...first, models: [...first.models, model] }, ...others] }
          : shown
      }
      case 'drop stage':
        return { ...shown, line: shown.line.toSpliced(edit.to, 1) }
      case 'drop unit':
        return { ...shown, units: others }
    }
  }
}

const anyStep = fc.record({
  device: fc.nat({ max: 2 }),
  act: fc.oneof(
    { weight: 3, arbitrary: fc.record({ kind: fc.constant('edit' as const), edit: anyEdit }) },
    {
      weight: 2,
      arbitrary: fc.record({
        kind: fc.constant('record' as const),
        event: fc.record({
          kind: fc.constantFrom('punched', 'cleared', 'touch-up', 'clock-started', 'undone'),
          at: fc.integer({ min: 0, max: 600 }),
          target: fc.nat({ max: 30 }),
          model: fc.constantFrom('a-1', 'a-2'),
        }),
      }),
    },
    { weight: 3, arbitrary: fc.record({ kind: fc.constant('deliver' as const), isLost: fc.boolean() }) },
    { weight: 1, arbitrary: fc.record({ kind: fc.constant('read' as const) }) },
  ),
})

describe('three devices', () => {
  it('whatever the order, answers lost and clocks that differ: one state on all, and nothing vanishes', () => {
    const skew = [0, -120, 300]
    fc.assert(
      fc.property(fc.array(anyStep, { maxLength: 40 }), (steps) => {
        const start = project(
          [unit('a', 2), unit('b', 1)],
          ['p', 'q', 'r', 's'].map((name) => stage(name)),
        )
        const server = new Server(start)
        const devices = [0, 1, 2].map((place) => new Device(place, server))
        const stated: Command[] = []
        steps.forEach(({ device: place, act }, step) => {
          const device = devices[place]!
          if (act.kind === 'edit') {
            device.edit(made(act.edit, place, step))
            const last = device.waiting.at(-1)
            if (last && !stated.includes(last.commands[0]!)) stated.push(...last.commands)
          } else if (act.kind === 'record') {
            device.record({
              ...act.event,
              id: eventId(step),
              at: addSeconds(noon, act.event.at + skew[place]!),
              by: { device: String(place) as DeviceId, number: step, painter: null },
              stageId: 'p',
              modelIds: [act.event.model],
              targetId: eventId(act.event.target),
              note: '',
            } as unknown as ProgressEvent)
          } else if (act.kind === 'deliver') device.deliver(act.isLost)
          else device.read()
        })
        // All come back from a day offline.
        for (const device of devices)
          while (device.waiting.length > 0 || device.unsent.length > 0) device.deliver(false)
        for (const device of devices) device.read()
        for (const device of devices) {
          expect(device.shown()).toEqual(server.project)
          expect(device.log.read()).toEqual(createProgressLog(server.events).read())
        }
        // The log tells how the state came about …
        const told = server.log
          .flatMap((each) => each.done)
          .reduce((now, command) => {
            const next = applyCommand(now, command)
            if (!next.ok) throw new Error(next.error.kind)
            return next.value
          }, start)
        expect(told).toEqual(server.project)
        // … and every command ever stated was carried out, or is kept as refused.
        const kept = new Set(devices.flatMap((device) => device.refused))
        for (const command of stated) expect(server.done.has(command) || kept.has(command)).toBe(true)
      }),
      { numRuns: 600 },
    )
  })
})
