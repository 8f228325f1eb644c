import { isLasting, problemSchema, type Problem, type Route } from '@seriatim/contract'
import type { z } from 'zod'

/** The server's answer to a request it could not serve, in its own words. */
export class ApiProblem extends Error {
  readonly problem: Problem

  constructor(problem: Problem) {
    super(problem.detail)
    this.problem = problem
  }

  get kind(): string {
    return this.problem.type.replace('urn:seriatim:problem:', '')
  }
}

/** No answer at all: the server is down, or the machine is offline. */
class NoAnswer extends Error {
  constructor() {
    super('The server does not answer.')
  }
}

/** An answer, but not Seriatim's: something stands between, or another program took the port. */
export class StrangeAnswer extends Error {
  constructor(status: number) {
    super(`Something other than Seriatim answered (${String(status)}).`)
  }
}

/** Whether the server or its database is away, and trying again in a moment may help. */
export function isAway(error: unknown): boolean {
  return (
    error instanceof NoAnswer ||
    error instanceof StrangeAnswer ||
    (error instanceof ApiProblem && error.problem.status === 503)
  )
}

/** Whether what was asked for is not there. */
export function isMissing(error: unknown): boolean {
  return error instanceof ApiProblem && error.problem.status === 404
}

/** Whether the same request may be taken later: anything but a clear word against the request itself. */
export function mayPass(error: unknown): boolean {
  return !(error instanceof ApiProblem && isLasting(error.kind))
}

/** Whether less at a time might be taken. */
export function isTooLarge(error: unknown): boolean {
  return error instanceof ApiProblem && error.kind === 'too-large'
}

type Given<R extends Route> = Part<'params', R['params']> &
  Part<'query', R['query']> &
  Part<'body', R['body']>
type Part<Name extends string, S extends z.ZodType> =
  Record<string, never> extends z.input<S>
    ? { readonly [K in Name]?: z.input<S> }
    : { readonly [K in Name]: z.input<S> }

/** Who is told when the server says that nobody is signed in any more, whatever was asked. */
const atTheDoor = new Set<() => void>()

export function onSignInNeeded(listener: () => void): void {
  atTheDoor.add(listener)
}

const longestWait = 30_000

/** Asks one route of the contract. @throws ApiProblem, or an error that `isAway` knows. */
export async function call<R extends Route>(
  route: R,
  given: Given<R>,
  signal?: AbortSignal,
): Promise<z.output<R['answer']>> {
  const {
    params = {},
    query = {},
    body,
  } = given as {
    readonly params?: Readonly<Record<string, string>>
    readonly query?: Readonly<Record<string, string | number | undefined>>
    readonly body?: unknown
  }
  const path = route.path.replace(/:(\w+)/g, (_, name: string) => encodeURIComponent(params[name] ?? ''))
  const asked = new URLSearchParams(
    Object.entries(query).flatMap(([name, value]) => (value === undefined ? [] : [[name, String(value)]])),
  ).toString()
  const timeout = AbortSignal.timeout(longestWait)
  let answer: Response
  let text: string
  try {
    answer = await fetch(`/api${path}${asked === '' ? '' : `?${asked}`}`, {
      method: route.method,
      signal: signal ? AbortSignal.any([signal, timeout]) : timeout,
      ...(body === undefined
        ? {}
        : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
    })
    text = await answer.text()
  } catch {
    signal?.throwIfAborted()
    throw new NoAnswer()
  }
  const said = readJson(text)
  if (answer.ok) {
    const parsed = route.answer.safeParse(said)
    if (parsed.success) return parsed.data as z.output<R['answer']>
    throw new StrangeAnswer(answer.status)
  }
  const problem = problemSchema.safeParse(said)
  if (!problem.success) throw new StrangeAnswer(answer.status)
  const failure = new ApiProblem(problem.data)
  if (failure.kind === 'sign-in-needed') for (const listener of atTheDoor) listener()
  throw failure
}

function readJson(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return null
  }
}
