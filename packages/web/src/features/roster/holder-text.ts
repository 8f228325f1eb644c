import { z } from 'zod'

/** Models on one holder, as typed. */
export const holderText = z
  .string()
  .trim()
  .regex(/^([1-9]|[1-4]\d|50)$/, { error: 'Give a whole number from 1 to 50.' })
