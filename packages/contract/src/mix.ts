import type { MaterialId } from '@seriatim/core/units'
import { z } from 'zod'
import { idOf } from './fields.ts'

const parts = z
  .array(
    z.object({
      materialId: idOf<MaterialId>(),
      parts: z.number().positive({ error: 'Each part of a mix is more than nothing.' }).max(10_000),
    }),
  )
  .max(12, { error: 'A mix has up to twelve paints.' })

/** Materials stirred together, by parts; none for work without material. */
export const mixSchema = parts.readonly()

/** A mix with something in it. */
export const usedMixSchema = parts.min(1, { error: 'Say what was used.' }).readonly()
