import { z } from 'zod'

/** What can go wrong with a request, by kind. */
export type ProblemKind =
  | 'invalid-request'
  | 'not-found'
  | 'foreign-page'
  | 'sign-in-needed'
  | 'not-allowed'
  | 'last-owner'
  | 'elsewhere-too'
  | 'too-large'
  | 'too-many'
  | 'project-exists'
  | 'id-reused'
  | 'changed-meanwhile'
  | 'in-use'
  | 'unknown-reference'
  | 'database-away'
  | 'too-slow'
  | 'busy'
  | 'disk-full'
  | 'unexpected'

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
