import { z } from 'zod'
import { instantField } from './fields.ts'

/** What somebody may do in a studio; each may what those before it may. */
export const roles = ['painter', 'manager', 'owner'] as const
export type Role = (typeof roles)[number]

/** Whom a route is for: whoever comes to the door, or a role and those above it. */
export type Audience = 'anyone' | Role

export const mayAsk = (role: Role, audience: Audience): boolean =>
  audience === 'anyone' || roles.indexOf(role) >= roles.indexOf(audience)

const name = z.string().trim().min(1, { error: 'Give a name.' }).max(80, { error: 'Up to 80 characters.' })
const email = z
  .email({ error: 'This is no e-mail address.' })
  .max(200, { error: 'Up to 200 characters.' })
  .toLowerCase()
const role = z.enum(roles, { error: 'Owner, manager or painter.' })

export const memberSchema = z.object({
  id: z.string(),
  name: z.string(),
  email: z.string(),
  role,
  /** Asked from another studio, and not here yet. */
  isAsked: z.boolean(),
})

export const newMemberSchema = z.object({ name, email, role })
export const memberRoleSchema = z.object({ role })

/** What a key opens: looking alone, or also recording what is painted, or also changing what a manager may. */
export const scopes = ['look', 'record', 'change'] as const
export type Scope = (typeof scopes)[number]

const scope = z.enum(scopes, { error: 'Look, record or change.' })

/** A key of somebody's, for a script or a calendar; what it is made of is told once. */
export const accessKeySchema = z.object({
  id: z.string(),
  name: z.string(),
  scope,
  madeAt: instantField,
  usedAt: instantField.nullable(),
})

export const newAccessKeySchema = z.object({ name, scope })
export const accessKeyMadeSchema = z.object({ made: accessKeySchema, key: z.string() })

export type AccessKey = z.output<typeof accessKeySchema>

/** Another studio that somebody belongs to, or is asked to come to. */
const otherStudioSchema = z.object({ id: z.uuid(), name: z.string(), isAsked: z.boolean() })

export const studioChoiceSchema = z.object({ studioId: z.uuid({ error: 'This is no studio.' }) })

/** Who asks. Without a door the desk is whoever sits at it. */
export const meSchema = z.object({
  door: z.boolean(),
  member: memberSchema.nullable(),
  studio: z.string().nullable(),
  otherStudios: z.array(otherStudioSchema).readonly(),
})

/**
 * A password is told once, to whoever made it, and kept nowhere in words; `null` for who has one already: they are asked,
 * and come when they want to.
 */
export const passwordMadeSchema = z.object({ member: memberSchema, password: z.string().nullable() })

export type Member = z.output<typeof memberSchema>
export type OtherStudio = z.output<typeof otherStudioSchema>
export type Me = z.output<typeof meSchema>
