import type { MiddlewareHandler } from 'hono'
import { RequestProblem } from './problem.ts'

const loopbackNames = new Set(['localhost', '127.0.0.1', '[::1]'])

/**
 * A browser also shows pages from elsewhere. The server answers only under its own name (a foreign name mapped to this
 * machine is not one), and only its own pages may call it.
 * @param origin as browsers name this place; left out, it is this machine's loopback under any port.
 */
export function ownPagesOnly(origin?: string): MiddlewareHandler {
  return async (context, next) => {
    const here = new URL(context.req.url)
    // Behind a proxy the scheme is the proxy's affair.
    const isOwn = origin === undefined ? loopbackNames.has(here.hostname) : here.host === new URL(origin).host
    if (!isOwn) {
      throw new RequestProblem(
        'foreign-page',
        origin === undefined
          ? 'Seriatim answers on this machine only, as localhost.'
          : `Seriatim answers here as ${origin}.`,
      )
    }
    const from = context.req.header('origin')
    const site = context.req.header('sec-fetch-site')
    const isForeign =
      (from !== undefined && from !== (origin ?? here.origin)) ||
      site === 'cross-site' ||
      site === 'same-site'
    if (isForeign && here.pathname.startsWith('/api/')) {
      throw new RequestProblem('foreign-page', 'Only Seriatim’s own pages may ask this.')
    }
    await next()
  }
}
