import { z } from 'zod'

/**
 * What can go wrong with a request, by kind, and whether it lasts: a clear word against the request itself, so that sending the
 * same again can never help. An outbox keeps everything else for later.
 */
const lasting = {
  'invalid-request': true,
  'not-found': false,
  'foreign-page': false,
  'sign-in-needed': false,
  'not-allowed': true,
  'last-owner': true,
  'elsewhere-too': true,
  'too-large': false,
  'too-many': true,
  'project-exists': true,
  'id-reused': true,
  'changed-meanwhile': false,
  'in-use': true,
  'unknown-reference': true,
  'database-away': false,
  'too-slow': false,
  busy: false,
  'disk-full': false,
  unexpected: false,
} as const

export type ProblemKind = keyof typeof lasting

/** Of a kind that is not known here (a newer server's) nothing is known: it may pass. */
export function isLasting(kind: string): boolean {
  return Object.hasOwn(lasting, kind) && lasting[kind as ProblemKind]
}

/** RFC 9457 problem document, with the path of each faulty field and a sentence for a person. */
export const problemSchema = z.object({
  type: z.string(),
  title: z.string(),
  status: z.int(),
  detail: z.string(),
  requestId: z.string().optional(),
  errors: z.array(z.object({ path: z.string(), message: z.string() })).optional(),
})

export type Problem = z.output<typeof problemSchema>

/** Zod's issues as paths people can follow. */
export function fieldErrors(issues: readonly z.core.$ZodIssue[]): NonNullable<Problem['errors']> {
  return issues.map((issue) => ({ path: pathText(issue.path), message: issue.message }))
}

/** `project.line[2].name`. */
export function pathText(path: readonly PropertyKey[]): string {
  return path
    .map((part, index) =>
      typeof part === 'number' ? `[${String(part)}]` : `${index > 0 ? '.' : ''}${String(part)}`,
    )
    .join('')
}
