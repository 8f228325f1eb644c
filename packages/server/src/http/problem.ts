import type { Problem, ProblemKind } from '@seriatim/contract'
import type { Context } from 'hono'
import type { ContentfulStatusCode } from 'hono/utils/http-status'

/** The one table from what went wrong to what the client is told. */
const table: Readonly<Record<ProblemKind, { status: ContentfulStatusCode; title: string }>> = {
  'invalid-request': { status: 422, title: 'Something in this request needs another look' },
  'not-found': { status: 404, title: 'Not found' },
  'foreign-page': { status: 403, title: 'Not from here' },
  'sign-in-needed': { status: 401, title: 'Sign in first' },
  'not-allowed': { status: 403, title: 'Not for this role' },
  'elsewhere-too': { status: 409, title: 'At home elsewhere too' },
  'last-owner': { status: 409, title: 'A studio has an owner' },
  'too-large': { status: 413, title: 'Too large' },
  'too-many': { status: 422, title: 'More than there can be' },
  'project-exists': { status: 409, title: 'This project is here already' },
  'id-reused': { status: 409, title: 'This id names something else' },
  'changed-meanwhile': { status: 409, title: 'Somebody else was first' },
  'in-use': { status: 409, title: 'Still in use' },
  'unknown-reference': { status: 422, title: 'Something named here does not exist' },
  'database-away': { status: 503, title: 'The database does not answer' },
  'too-slow': { status: 503, title: 'This took too long' },
  busy: { status: 503, title: 'Too many at once' },
  'disk-full': { status: 507, title: 'The disk is full' },
  unexpected: { status: 500, title: 'Something went wrong here' },
}

/** An expected failure of a request, on its way to become a problem document. */
export class RequestProblem extends Error {
  readonly kind: ProblemKind
  readonly errors: Problem['errors']

  constructor(kind: ProblemKind, detail: string, errors?: Problem['errors']) {
    super(detail)
    this.kind = kind
    this.errors = errors
  }
}

/** RFC 9457: `application/problem+json`. */
export function problemResponse(context: Context, problem: RequestProblem, requestId?: string): Response {
  const { status, title } = table[problem.kind]
  const body: Problem = {
    type: `urn:seriatim:problem:${problem.kind}`,
    title,
    status,
    detail: problem.message,
    ...(problem.errors ? { errors: problem.errors } : {}),
    ...(requestId ? { requestId } : {}),
  }
  const retry: Record<string, string> = status === 503 ? { 'retry-after': '2' } : {}
  return context.body(JSON.stringify(body), status, { 'content-type': 'application/problem+json', ...retry })
}
