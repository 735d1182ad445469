import type { Request, RequestHandler } from 'express'
import { sendProblem } from './problem'

const refusedSite = (request: Request): boolean => request.headers['sec-fetch-site'] === 'cross-site'

/** Refuses what pages elsewhere ask of the API, before it is counted: they must not use up what its own pages may ask. */
export const ownPagesOnly: RequestHandler = (request, response, next) =>
  refusedSite(request) ? sendProblem(response, 403, 'Only pages of this server may ask this of it.') : next()

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
    if (!fromHere || refusedSite(request))
      return sendProblem(response, 403, 'Only pages of this server may change anything on it.')
    next()
  }
