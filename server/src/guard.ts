import type { RequestHandler } from 'express'
import { sendProblem } from './problem'

/**
 * Lets in only requests that name this server, and writes only from its own pages: a page elsewhere that makes the
 * browser call this address, by name or by rebinding one, is refused.
 */
export const guard =
  (allowedHosts: readonly string[]): RequestHandler =>
  (request, response, next) => {
    const host = request.headers.host ?? ''
    const name = host.replace(/:\d+$/, '')
    if (!allowedHosts.includes(name))
      return sendProblem(response, 403, `This server does not answer to ${JSON.stringify(name)}.`)
    const reading = request.method === 'GET' || request.method === 'HEAD'
    if (reading) return next()
    const { origin } = request.headers
    const fromHere = origin === undefined || origin === `http://${host}` || origin === `https://${host}`
    const site = request.headers['sec-fetch-site']
    if (!fromHere || site === 'cross-site')
      return sendProblem(response, 403, 'Only pages of this server may change anything on it.')
    next()
  }
