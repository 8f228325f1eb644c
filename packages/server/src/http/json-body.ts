import { zValidator } from '@hono/zod-validator'
import { fieldErrors } from '@seriatim/contract'
import type { z } from 'zod'
import { RequestProblem } from './problem.ts'

/** Validates a JSON body; the faulty fields are named in the problem document. */
export const jsonBody = <Schema extends z.ZodType>(schema: Schema) =>
  zValidator('json', schema, (result) => {
    if (result.success) return
    const errors = fieldErrors(result.error.issues)
    throw new RequestProblem('invalid-request', errors[0]?.message ?? 'The request is not valid.', errors)
  })
