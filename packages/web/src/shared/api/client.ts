import { problemSchema, type Problem } from '@seriatim/contract'
import type { Api } from '@seriatim/server/rpc'
import { hc } from 'hono/client'
import type { z } from 'zod'

export const api = hc<Api>('/').api

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

/** Whether the server or its database is away, and trying again in a moment may help. */
export function isAway(error: unknown): boolean {
  return error instanceof NoAnswer || (error instanceof ApiProblem && error.problem.status === 503)
}

/** Whether the fault is not the request's: the same one may be taken later. */
export function mayPass(error: unknown): boolean {
  return isAway(error) || (error instanceof ApiProblem && error.problem.status >= 500)
}

interface Answer {
  readonly ok: boolean
  readonly status: number
  readonly statusText: string
  readonly json: () => Promise<unknown>
}

/** Sends, and reads the answer through its schema. @throws ApiProblem, NoAnswer */
export async function ask<Schema extends z.ZodType>(
  request: Promise<Answer>,
  schema: Schema,
): Promise<z.output<Schema>> {
  let answer: Answer
  try {
    answer = await request
  } catch {
    throw new NoAnswer()
  }
  const body = await answer.json().catch(() => null)
  if (answer.ok) return schema.parse(body)
  const problem = problemSchema.safeParse(body)
  throw new ApiProblem(
    problem.success
      ? problem.data
      : {
          type: 'urn:seriatim:problem:unexpected',
          title: answer.statusText,
          status: answer.status,
          detail: `The server answered ${String(answer.status)}.`,
        },
  )
}
