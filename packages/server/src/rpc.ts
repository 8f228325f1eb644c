import type { createApp } from './app.ts'

/** The shape of the API, for a typed client; nothing of it exists at run time. */
export type Api = ReturnType<typeof createApp>
