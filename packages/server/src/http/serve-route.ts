import { fieldErrors, mayAsk, pathText, unkeepableText, type Role, type Route } from '@seriatim/contract'
import type { Context, Hono } from 'hono'
import { bodyLimit } from 'hono/body-limit'
import { z } from 'zod'
import { RequestProblem } from './problem.ts'

/** Who asks, as the door found out. */
export interface Asking {
  /** `null` for whoever has not signed in. */
  readonly role: Role | null
  readonly accountId: string | null
  /** What they are called, for what keeps who did it; `null` at a desk without a door. */
  readonly name: string | null
  /** `null` where nobody signed in, or a key asks. */
  readonly signInId: string | null
  /** By a key, and not by signing in. */
  readonly byKey: boolean
  /** Whether they still belong to the studio, asked anew: what is answered for long asks it now and then. */
  readonly isStillIn: () => Promise<boolean>
}

interface Asked<R extends Route> {
  readonly params: z.output<R['params']>
  readonly query: z.output<R['query']>
  readonly body: z.output<R['body']>
  readonly by: Asking
}

/** Serves one route of the contract: what comes in is checked by it, and what goes out is written by it. */
export function serveRoute<R extends Route>(
  app: Hono<{ Bindings: Asking }>,
  route: R,
  handle: (asked: Asked<R>) => Promise<z.output<R['answer']>>,
): void {
  const tooLarge = bodyLimit({
    maxSize: route.largest,
    onError: () => {
      const most = `${String(Math.round(route.largest / 1024 / 1024))} MB`
      throw new RequestProblem('too-large', `This is larger than ${most}, the most that is taken here.`)
    },
  })
  app.on(route.method, route.path, tooLarge, async (context) => {
    const by = context.env
    if (route.audience !== 'anyone') refuseOthers(by.role, route.audience)
    const params = route.params.safeParse(context.req.param())
    if (!params.success) throw new RequestProblem('not-found', 'This address names nothing here.')
    const query = checked(route.query, context.req.query())
    const takesBody = route.method === 'POST' || route.method === 'PUT'
    const body = takesBody && !isEmpty(route.body) ? checked(route.body, await jsonOf(context)) : {}
    const answer = await handle({ params: params.data, query, body, by } as Asked<R>)
    return context.json(z.encode(route.answer, answer) as object, route.status)
  })
}

/** @throws RequestProblem the role is not enough. */
export function refuseOthers(role: Role | null, audience: Role): void {
  if (role === null)
    throw new RequestProblem('sign-in-needed', 'Sign in first; what waits here is delivered then.')
  if (mayAsk(role, audience)) return
  const who = audience === 'owner' ? 'An owner' : 'An owner or a manager'
  throw new RequestProblem('not-allowed', `${who} of the studio does this.`)
}

function isEmpty(schema: z.ZodType): boolean {
  return schema instanceof z.ZodObject && Object.keys(schema.shape).length === 0
}

/** The faulty fields are named in the problem document. */
function checked(schema: z.ZodType, value: unknown): unknown {
  const parsed = schema.safeParse(value)
  if (parsed.success) return parsed.data
  const errors = fieldErrors(parsed.error.issues)
  throw new RequestProblem('invalid-request', errors[0]?.message ?? 'The request is not valid.', errors)
}

async function jsonOf(context: Context): Promise<unknown> {
  const type = context.req.header('content-type') ?? ''
  const notJson = () =>
    new RequestProblem('invalid-request', 'The request is not valid JSON, or not JSON at all.')
  // A page elsewhere can send text and forms unasked, but not JSON.
  if (!/^application\/json\b/i.test(type)) throw notJson()
  const text = await context.req.text()
  if (isTooDeep(text))
    throw new RequestProblem('invalid-request', `This is nested more than ${String(deepest)} times.`)
  let value: unknown
  try {
    value = JSON.parse(text)
  } catch {
    throw notJson()
  }
  const path = unkeepableText(value)
  if (path === null) return value
  const message = 'This text holds a character that cannot be kept: take it out.'
  throw new RequestProblem('invalid-request', message, [{ path: pathText(path), message }])
}

/** Nothing that is asked here is nested so often; what walks a request may go into it as it is written. */
const deepest = 64

/** Counted in the text, before anything is made of it. */
function isTooDeep(text: string): boolean {
  let depth = 0
  let isString = false
  for (let at = 0; at < text.length; at++) {
    const sign = text.charCodeAt(at)
    if (isString) {
      if (sign === backslash) at += 1
      else if (sign === quote) isString = false
    } else if (sign === quote) isString = true
    else if (sign === openBracket || sign === openBrace) {
      depth += 1
      if (depth > deepest) return true
    } else if (sign === closeBracket || sign === closeBrace) depth -= 1
  }
  return false
}

const [quote, backslash] = [0x22, 0x5c]
const [openBracket, closeBracket, openBrace, closeBrace] = [0x5b, 0x5d, 0x7b, 0x7d]
