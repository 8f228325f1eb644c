import type { ModelId, StageId } from '@seriatim/core/units'
import { z } from 'zod'
import { idOf, instantField, optionalTextField } from './fields.ts'

/** What is said of a picture; the picture itself is asked for by itself. */
export const photoSchema = z.object({
  id: z.uuid(),
  caption: z.string(),
  modelId: idOf<ModelId>().nullable(),
  stageId: idOf<StageId>().nullable(),
  released: z.boolean(),
  width: z.int(),
  height: z.int(),
  madeAt: instantField,
})

export const photoFieldsSchema = z.object({
  caption: optionalTextField(200),
  modelId: idOf<ModelId>().nullable(),
  /** After which stage it was taken; `null`: nobody said. */
  stageId: idOf<StageId>().nullable().default(null),
  released: z.boolean(),
})

export const newPhotoSchema = photoFieldsSchema.extend({
  id: z.uuid(),
  /** JPEG, PNG or WebP, in base 64. */
  image: z.base64({ error: 'Send the picture in base 64.' }).min(1, { error: 'Choose a picture.' }),
})

/** A picture as an address that a page can show: `data:image/jpeg;base64,…`. */
export const pictureSchema = z.object({ picture: z.string() })

export type Photo = z.output<typeof photoSchema>
export type PhotoFields = z.output<typeof photoFieldsSchema>
