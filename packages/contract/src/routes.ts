import type { ClientId, MaterialId, ProjectId } from '@seriatim/core/units'
import { z } from 'zod'
import { airSchema, putAirSchema } from './air.ts'
import {
  acceptQuoteSchema,
  clientLinkSchema,
  clientSchema,
  keptQuoteSchema,
  newLinkSchema,
  newQuoteSchema,
  priceListSchema,
  sharedProgressSchema,
} from './commissions.ts'
import { commandVerdictSchema, loggedChangeSchema, newChangeSchema } from './commands.ts'
import { eventVerdictSchema } from './event.ts'
import { idOf, instantField, textField } from './fields.ts'
import { anyProjectFileSchema } from './files/read-project-file.ts'
import { bringRatesSchema, broughtRatesSchema, handSchema } from './hand.ts'
import {
  accessKeyMadeSchema,
  accessKeySchema,
  memberRoleSchema,
  memberSchema,
  meSchema,
  studioChoiceSchema,
  newAccessKeySchema,
  newMemberSchema,
  passwordMadeSchema,
  type Audience,
} from './members.ts'
import { packedLogSchema } from './packed-log.ts'
import { newPhotoSchema, photoFieldsSchema, photoSchema, pictureSchema } from './photos.ts'
import { planToKeepSchema, storedPlanSchema } from './plans.ts'
import { projectFileSchema } from './project-file.ts'
import { finishSchema, projectSettingsSchema, projectSummarySchema, storedProjectSchema } from './project.ts'
import { materialSchema, recipeSchema, shelfSchema } from './recipe.ts'
import { anyStudioFileSchema, studioFileSchema } from './studio-file.ts'

type Method = 'GET' | 'POST' | 'PUT' | 'DELETE'

/** One thing the server can be asked. Paths begin below `/api`; `:name` stands for a parameter. */
export interface Route<
  Params extends z.ZodType = z.ZodType,
  Query extends z.ZodType = z.ZodType,
  Body extends z.ZodType = z.ZodType,
  Answer extends z.ZodType = z.ZodType,
> {
  readonly method: Method
  readonly path: string
  readonly params: Params
  readonly query: Query
  readonly body: Body
  readonly answer: Answer
  /** Who may ask, where there is a door. */
  readonly audience: Audience
  /** The status of an answer that is no problem. */
  readonly status: 200 | 201
  /** The largest body, in bytes. */
  readonly largest: number
}

const nothing = z.object({})
const megabyte = 1024 * 1024

type Part<T> = T extends z.ZodType ? T : typeof nothing

interface Given {
  readonly params?: z.ZodType
  readonly query?: z.ZodType
  readonly body?: z.ZodType
  readonly answer: z.ZodType
  /** Left out: who paints may look, and who manages may change. */
  readonly audience?: Audience
  readonly status?: 200 | 201
  readonly largest?: number
}

function route<G extends Given>(
  method: Method,
  path: string,
  given: G,
): Route<Part<G['params']>, Part<G['query']>, Part<G['body']>, G['answer']> {
  return {
    method,
    path,
    params: (given.params ?? nothing) as Part<G['params']>,
    query: (given.query ?? nothing) as Part<G['query']>,
    body: (given.body ?? nothing) as Part<G['body']>,
    answer: given.answer,
    audience: given.audience ?? (method === 'GET' ? 'painter' : 'manager'),
    status: given.status ?? 200,
    largest: given.largest ?? megabyte,
  }
}

const ofKey = z.object({ keyId: z.string().min(1).max(80) })
const ofMember = z.object({ memberId: z.string().min(1).max(80) })
const ofProject = z.object({ id: idOf<ProjectId>() })
const ofClient = z.object({ clientId: idOf<ClientId>() })
const ofQuote = ofProject.extend({ quoteId: z.uuid() })
const ofPhoto = ofProject.extend({ photoId: z.uuid() })
const photosAnswer = z.object({ photos: z.array(photoSchema).readonly() })
const ofLink = ofProject.extend({ linkId: z.uuid() })

/** The revision of a list that two may change: who writes says which one was read. */
const revision = z.int().min(0).max(2_147_483_646)
const clientsAnswer = z.object({ clients: z.array(clientSchema).readonly() })
const pricesAnswer = z.object({ prices: priceListSchema, revision })
const ofMaterial = z.object({ materialId: idOf<MaterialId>() })

/** Where to go on reading: the last number a client has. */
const afterQuery = z.object({
  after: z.coerce.number().int().min(0).max(Number.MAX_SAFE_INTEGER).default(0),
})

const countsSchema = z.object({
  projects: z.int(),
  clients: z.int(),
  materials: z.int(),
  readings: z.int(),
  rates: z.int(),
})
const studioSchema = z.object({ name: textField('the studio a name', 120) })
const deskSchema = z.object({ hoursOf: idOf<ProjectId>().nullable() })
const shelfAnswer = z.object({ materials: z.array(materialSchema).readonly() })

/** Everything the server can be asked; server, client and documents stand on this. */
export const routes = {
  health: route('GET', '/health', {
    audience: 'anyone',
    answer: z.object({ ok: z.literal(true), now: instantField }),
  }),

  readMe: route('GET', '/me', { audience: 'anyone', answer: meSchema }),
  /** Where this sign-in goes from now on; whoever is asked there comes by it. */
  chooseStudio: route('PUT', '/me/studio', {
    audience: 'painter',
    body: studioChoiceSchema,
    answer: z.object({ chosen: z.literal(true) }),
  }),
  listMembers: route('GET', '/members', {
    audience: 'owner',
    answer: z.object({ members: z.array(memberSchema).readonly() }),
  }),
  addMember: route('POST', '/members', {
    audience: 'owner',
    body: newMemberSchema,
    answer: passwordMadeSchema,
    status: 201,
  }),
  setMemberRole: route('PUT', '/members/:memberId', {
    audience: 'owner',
    params: ofMember,
    body: memberRoleSchema,
    answer: memberSchema,
  }),
  /** A new password, and every sign-in of theirs ends. */
  renewPassword: route('POST', '/members/:memberId/password', {
    audience: 'owner',
    params: ofMember,
    answer: passwordMadeSchema,
  }),
  removeMember: route('DELETE', '/members/:memberId', {
    audience: 'owner',
    params: ofMember,
    answer: z.object({ removed: z.literal(true) }),
  }),

  /** One's own keys, for scripts and calendars; made and taken away by somebody who signed in, never by a key. */
  listKeys: route('GET', '/keys', { answer: z.object({ keys: z.array(accessKeySchema).readonly() }) }),
  addKey: route('POST', '/keys', {
    audience: 'painter',
    body: newAccessKeySchema,
    answer: accessKeyMadeSchema,
    status: 201,
  }),
  removeKey: route('DELETE', '/keys/:keyId', {
    audience: 'painter',
    params: ofKey,
    answer: z.object({ removed: z.literal(true) }),
  }),

  sayFinish: route('PUT', '/projects/:id/finish', {
    audience: 'painter',
    params: ofProject,
    body: finishSchema,
    answer: z.object({ said: z.literal(true) }),
  }),
  readPlan: route('GET', '/projects/:id/plan', {
    params: ofProject,
    answer: z.object({ plan: storedPlanSchema.nullable() }),
  }),
  /** The first plan of a revision stays: of two pages that plan the same both then keep to one. */
  keepPlan: route('PUT', '/projects/:id/plan', {
    audience: 'painter',
    params: ofProject,
    body: planToKeepSchema,
    answer: z.object({ plan: storedPlanSchema.nullable() }),
    largest: 16 * megabyte,
  }),
  listProjects: route('GET', '/projects', { answer: z.object({ projects: z.array(projectSummarySchema) }) }),
  /** Making a project twice under the same id gives the first one back. */
  createProject: route('PUT', '/projects/:id', {
    params: ofProject,
    body: projectSettingsSchema,
    answer: storedProjectSchema,
    status: 201,
  }),
  importProject: route('POST', '/projects/import', {
    query: z.object({ copy: z.enum(['true', 'false']).default('false') }),
    body: anyProjectFileSchema,
    answer: storedProjectSchema,
    status: 201,
    largest: 96 * megabyte,
  }),
  readProject: route('GET', '/projects/:id', { params: ofProject, answer: storedProjectSchema }),
  removeProject: route('DELETE', '/projects/:id', {
    params: ofProject,
    answer: z.object({ removed: z.boolean() }),
  }),
  restoreProject: route('POST', '/projects/:id/restore', {
    params: ofProject,
    answer: z.object({ removed: z.boolean() }),
  }),
  exportProject: route('GET', '/projects/:id/file', { params: ofProject, answer: projectFileSchema }),

  /** A change carried out once, however often it is sent; what others changed first is refused, command by command. */
  changeProject: route('POST', '/projects/:id/changes', {
    params: ofProject,
    body: newChangeSchema,
    answer: z.object({ verdicts: z.array(commandVerdictSchema).readonly(), project: storedProjectSchema }),
  }),
  /** The newest changes first, up to `changesAtOnce`, before the revision `before` where it is given. */
  readChanges: route('GET', '/projects/:id/changes', {
    params: ofProject,
    query: z.object({ before: z.coerce.number().int().min(0).max(2_147_483_647).optional() }),
    answer: z.object({ changes: z.array(loggedChangeSchema).readonly() }),
  }),

  /** The log after a number, the number of its last event (what to ask for next time), and the project's revision. */
  readEvents: route('GET', '/projects/:id/events', {
    params: ofProject,
    query: afterQuery,
    answer: z.object({
      log: packedLogSchema,
      last: z.int(),
      revision: z.int(),
      now: instantField,
      /** Which database this is: numbers of another one mean other events. */
      installation: z.uuid(),
    }),
  }),
  /** Each event is judged by itself, so that one that cannot be taken keeps none of the others. */
  recordEvents: route('POST', '/projects/:id/events', {
    audience: 'painter',
    params: ofProject,
    body: z.object({
      events: z
        .array(z.unknown())
        .min(1, { error: 'Send at least one event.' })
        .max(500, { error: 'Up to 500 events at a time.' }),
    }),
    answer: z.object({ verdicts: z.array(eventVerdictSchema).readonly(), now: instantField }),
    largest: 8 * megabyte,
  }),

  readShelf: route('GET', '/shelf', { answer: shelfAnswer }),
  /**
   * Materials to put on the shelf, new ones and changed ones; what is not named stays. With what the sender saw `before`, only
   * the fields that differ from it are written, and one that somebody else changed meanwhile is refused.
   */
  putMaterials: route('PUT', '/shelf', {
    body: z.object({ materials: shelfSchema, before: shelfSchema.default([]) }),
    answer: shelfAnswer,
    largest: 4 * megabyte,
  }),
  removeMaterial: route('DELETE', '/shelf/:materialId', { params: ofMaterial, answer: shelfAnswer }),

  /** The recipes of all other projects, those of the newest projects first, up to two hundred. */
  readLibrary: route('GET', '/recipes/beside/:id', {
    params: ofProject,
    answer: z.object({
      kept: z.array(z.object({ project: z.string(), recipe: recipeSchema })).readonly(),
    }),
  }),

  readHand: route('GET', '/hand/beside/:id', { params: ofProject, answer: handSchema }),
  bringRates: route('PUT', '/hand/brought', {
    body: bringRatesSchema,
    answer: z.object({ brought: broughtRatesSchema }),
  }),

  /** Whose hours, people and stations hold where several projects are planned at one desk. */
  readDesk: route('GET', '/desk', { answer: deskSchema }),
  putDesk: route('PUT', '/desk', { body: deskSchema, answer: deskSchema }),

  readClients: route('GET', '/clients', { audience: 'manager', answer: clientsAnswer }),
  /** A client as it is to be; made where there is none of this id. `before`: as for materials. */
  putClient: route('PUT', '/clients/:clientId', {
    params: ofClient,
    body: clientSchema.omit({ id: true }).extend({ before: clientSchema.omit({ id: true }).exactOptional() }),
    answer: clientsAnswer,
  }),
  removeClient: route('DELETE', '/clients/:clientId', { params: ofClient, answer: clientsAnswer }),

  /** What the studio charges; the usual, with revision 0, until somebody said so. */
  readPrices: route('GET', '/prices', { audience: 'manager', answer: pricesAnswer }),
  putPrices: route('PUT', '/prices', { body: pricesAnswer, answer: pricesAnswer }),

  /** The quotes of a project, the newest first, and the links by which its client looks at it. */
  readCommission: route('GET', '/projects/:id/commission', {
    audience: 'manager',
    params: ofProject,
    answer: z.object({
      quotes: z.array(keptQuoteSchema).readonly(),
      links: z.array(clientLinkSchema).readonly(),
    }),
  }),
  makeQuote: route('POST', '/projects/:id/quotes', {
    params: ofProject,
    body: newQuoteSchema,
    answer: keptQuoteSchema,
    status: 201,
  }),
  /** The client's yes to one standard of the newest quote. */
  acceptQuote: route('POST', '/projects/:id/quotes/:quoteId/yes', {
    params: ofQuote,
    body: acceptQuoteSchema,
    answer: keptQuoteSchema,
  }),
  /** What the link is made of is told once. */
  makeLink: route('POST', '/projects/:id/links', {
    params: ofProject,
    body: newLinkSchema,
    answer: z.object({ made: clientLinkSchema, token: z.string() }),
    status: 201,
  }),
  revokeLink: route('DELETE', '/projects/:id/links/:linkId', { params: ofLink, answer: clientLinkSchema }),
  /** Pictures of a project, the newest first. */
  listPhotos: route('GET', '/projects/:id/photos', { params: ofProject, answer: photosAnswer }),
  /** Written anew: upright, small, without what the file tells of place and camera. Only who manages releases it. */
  addPhoto: route('POST', '/projects/:id/photos', {
    audience: 'painter',
    params: ofProject,
    body: newPhotoSchema,
    answer: photosAnswer,
    status: 201,
    largest: 16 * megabyte,
  }),
  readPhoto: route('GET', '/projects/:id/photos/:photoId', { params: ofPhoto, answer: pictureSchema }),
  setPhoto: route('PUT', '/projects/:id/photos/:photoId', {
    params: ofPhoto,
    body: photoFieldsSchema,
    answer: photosAnswer,
  }),
  removePhoto: route('DELETE', '/projects/:id/photos/:photoId', { params: ofPhoto, answer: photosAnswer }),

  /** What a client sees behind a link. */
  readShared: route('GET', '/shared/:token', {
    audience: 'anyone',
    params: z.object({ token: z.string().min(1).max(200) }),
    answer: sharedProgressSchema,
  }),
  readSharedPhoto: route('GET', '/shared/:token/photos/:photoId', {
    audience: 'anyone',
    params: z.object({ token: z.string().min(1).max(200), photoId: z.uuid() }),
    answer: pictureSchema,
  }),

  /** What clients read above their page. */
  /** A whole studio as one file, and what of one is not here yet: what is here stays as it is. */
  exportStudio: route('GET', '/studio/file', { audience: 'manager', answer: studioFileSchema }),
  importStudio: route('POST', '/studio/import', {
    body: anyStudioFileSchema,
    answer: z.object({ taken: countsSchema, here: countsSchema }),
    largest: 96 * megabyte,
  }),
  readStudio: route('GET', '/studio', { answer: studioSchema }),
  nameStudio: route('PUT', '/studio', { audience: 'owner', body: studioSchema, answer: studioSchema }),

  readAir: route('GET', '/air', { answer: airSchema }),
  putAir: route('PUT', '/air', { body: putAirSchema, answer: airSchema, largest: 4 * megabyte }),
  removeSimulatedAir: route('DELETE', '/air/simulated', { answer: airSchema }),
} as const

/** Not asked and answered but listened to (server-sent events): that there is something new, and which device wrote it. */
export const newsStream = { path: '/projects/:id/news', params: ofProject, event: 'news' } as const

/** Not JSON: a project's sessions and date as iCalendar (RFC 5545), to be saved or subscribed to. */
export const calendarFeed = { path: '/projects/:id/calendar.ics', params: ofProject } as const
