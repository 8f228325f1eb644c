import { randomUUID } from 'node:crypto'
import type { ErrorHandler } from 'hono'
import type { Logger } from 'pino'
import { problemResponse, RequestProblem } from './problem.ts'

const connectionLost = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'ENOENT',
  'EPIPE',
  'ETIMEDOUT',
  '57P01', // admin_shutdown
  '57P02', // crash_shutdown
  '57P03', // cannot_connect_now
  '08000',
  '08003',
  '08006',
])

/** query_canceled by the statement timeout, lock_not_available, deadlock_detected, serialization_failure */
const tookTooLong = new Set(['57014', '55P03', '40P01', '40001', '25P03'])

/** insufficient_resources, disk_full */
const diskFull = new Set(['53000', '53100', 'ENOSPC'])

/** Known problems as they are; a lost database as 503, a full disk as 507; anything else as a request id, its detail in the log. */
export function onError(log: Logger): ErrorHandler {
  return (error, context) => {
    if (error instanceof RequestProblem) return problemResponse(context, error)
    const kind = causes(error)
      .map(databaseTrouble)
      .find((each) => each !== null)
    if (kind) {
      log.warn({ reason: rootCause(error).message }, kind)
      return problemResponse(context, new RequestProblem(kind, troubleText[kind]))
    }
    const requestId = randomUUID()
    // The root alone: what wraps it repeats the statement with all its values.
    log.error({ requestId, err: rootCause(error) }, 'unexpected')
    return problemResponse(
      context,
      new RequestProblem('unexpected', 'This was not expected. Nothing recorded before is lost.'),
      requestId,
    )
  }
}

type DatabaseTrouble = 'database-away' | 'disk-full' | 'too-slow'

const troubleText: Readonly<Record<DatabaseTrouble, string>> = {
  'database-away': 'The database does not answer just now. Nothing is lost; try again in a moment.',
  'too-slow': 'The database took too long over this. Nothing is lost; try again in a moment.',
  'disk-full':
    'The disk with the data is full. Nothing recorded before is lost; free some space and try again.',
}

function databaseTrouble(cause: Error): DatabaseTrouble | null {
  const code = 'code' in cause && typeof cause.code === 'string' ? cause.code : ''
  if (diskFull.has(code)) return 'disk-full'
  if (tookTooLong.has(code)) return 'too-slow'
  const away =
    connectionLost.has(code) ||
    /Connection terminated|Client has encountered a connection error|timeout exceeded when trying to connect|not queryable/.test(
      cause.message,
    )
  return away ? 'database-away' : null
}

/** The error, what caused it, and what caused that. */
function causes(error: unknown): readonly Error[] {
  if (!(error instanceof Error)) return []
  const beside = error instanceof AggregateError ? error.errors.flatMap(causes) : []
  return [error, ...beside, ...causes(error.cause)]
}

function rootCause(error: Error): Error {
  return causes(error).at(-1) ?? error
}
