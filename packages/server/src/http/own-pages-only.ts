import type { MiddlewareHandler } from 'hono'
import { RequestProblem } from './problem.ts'

const loopbackNames = new Set(['localhost', '127.0.0.1', '[::1]'])

/**
 * The server listens on loopback alone, but a browser on this machine also shows pages from elsewhere. It answers
 * only under a loopback name (a foreign name mapped to loopback is not one), and only its own pages may call it.
 */
export const ownPagesOnly: MiddlewareHandler = async (context, next) => {
  const here = new URL(context.req.url)
  if (!loopbackNames.has(here.hostname)) {
    throw new RequestProblem('foreign-page', 'Seriatim answers on this machine only, as localhost.')
  }
  const origin = context.req.header('origin')
  const site = context.req.header('sec-fetch-site')
  const isForeign =
    (origin !== undefined && origin !== here.origin) || site === 'cross-site' || site === 'same-site'
  if (isForeign && here.pathname.startsWith('/api/')) {
    throw new RequestProblem('foreign-page', 'Only Seriatim’s own pages may ask this.')
  }
  await next()
}
