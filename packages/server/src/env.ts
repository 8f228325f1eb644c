import { z } from 'zod'

const environment = z.object({
  DATABASE_URL: z.string().min(1),
  /** The address to listen on; any but loopback has a door. */
  SERIATIM_HOST: z.string().min(1).default('127.0.0.1'),
  /** As browsers name this place; with it there is a door. */
  SERIATIM_ORIGIN: z.url({ protocol: /^https?$/ }).optional(),
  /** Files in PEM, to answer by HTTPS. */
  SERIATIM_CERT: z.string().optional(),
  SERIATIM_KEY: z.string().optional(),
  /** So many servers behind the one port. */
  SERIATIM_PROCESSES: z.coerce.number().int().min(1).max(64).default(1),
  PORT: z.coerce.number().int().min(1).max(65535).default(4640),
  /** The built web application; without it only the API answers. */
  SERIATIM_WEB: z.string().optional(),
  /** A project file to load once, moved to now. */
  SERIATIM_DEMO: z.string().optional(),
  /** Only for pictures and tests: the moment the demo is moved to. */
  SERIATIM_NOW: z.iso.datetime({ offset: true }).optional(),
  SERIATIM_LOG: z.enum(['silent', 'error', 'warn', 'info']).default('warn'),
})

/** The one place that reads the process's environment. */
export function readEnvironment() {
  const env = environment.parse(process.env)
  return {
    databaseUrl: env.DATABASE_URL,
    port: env.PORT,
    processes: env.SERIATIM_PROCESSES,
    host: env.SERIATIM_HOST,
    origin: env.SERIATIM_ORIGIN === undefined ? undefined : new URL(env.SERIATIM_ORIGIN).origin,
    certificate: env.SERIATIM_CERT,
    privateKey: env.SERIATIM_KEY,
    webRoot: env.SERIATIM_WEB,
    demoFile: env.SERIATIM_DEMO,
    fixedNow: env.SERIATIM_NOW,
    logLevel: env.SERIATIM_LOG,
  }
}
