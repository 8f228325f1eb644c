import { randomUUID } from 'node:crypto'
import type { ErrorHandler } from 'hono'
import { HTTPException } from 'hono/http-exception'
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

/** Known problems as they are; a lost database as 503; anything else as a request id, its detail in the log. */
export function onError(log: Logger): ErrorHandler {
  return (error, context) => {
    if (error instanceof RequestProblem) return problemResponse(context, error)
    if (error instanceof HTTPException && error.status < 500) {
      return problemResponse(
        context,
        new RequestProblem('invalid-request', 'The request is not valid JSON, or not JSON at all.'),
      )
    }
    if (isDatabaseAway(error)) {
      log.warn({ reason: error.message }, 'the database does not answer')
      return problemResponse(
        context,
        new RequestProblem(
          'database-away',
          'The database does not answer just now. Nothing is lost; try again in a moment.',
        ),
      )
    }
    const requestId = randomUUID()
    log.error({ requestId, err: error }, 'unexpected')
    return problemResponse(
      context,
      new RequestProblem('unexpected', 'This was not expected. Nothing recorded before is lost.'),
      requestId,
    )
  }
}

function isDatabaseAway(error: unknown): boolean {
  for (let cause = error; cause instanceof Error; cause = cause.cause) {
    if ('code' in cause && typeof cause.code === 'string' && connectionLost.has(cause.code)) return true
    if (/Connection terminated|timeout exceeded when trying to connect|not queryable/.test(cause.message))
      return true
    if (cause instanceof AggregateError && cause.errors.some(isDatabaseAway)) return true
  }
  return false
}
