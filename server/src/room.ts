import type { RequestHandler } from 'express'
import { sendProblem } from './problem'

/** Bodies wait for room for so long before they are refused. */
const LONGEST_WAIT = 20_000

/**
 * Lets bodies in as long as all that are under way together take no more than so much memory; the others wait for theirs to be free.
 * Without it sixteen uploads at once take a gigabyte.
 *
 * @param most in bytes
 * @param largest what one body is taken for that does not say how long it is
 */
export function roomFor(most: number, largest: number): RequestHandler {
  let taken = 0
  const waiting: (() => void)[] = []
  return (request, response, next) => {
    const said = Number(request.headers['content-length'] ?? largest)
    const size = Math.min(Number.isFinite(said) && said >= 0 ? said : largest, most)
    const enter = (): void => {
      clearTimeout(timer)
      taken += size
      response.once('close', () => {
        taken -= size
        // Those who wait go on in their order, as far as there is room.
        const all = waiting.splice(0)
        for (const one of all) one()
      })
      next()
    }
    const tryToEnter = (): void => {
      if (response.destroyed || response.headersSent) return
      if (taken + size <= most) enter()
      else waiting.push(tryToEnter)
    }
    const timer = setTimeout(() => {
      const at = waiting.indexOf(tryToEnter)
      if (at < 0) return
      waiting.splice(at, 1)
      response.set('Retry-After', '5')
      sendProblem(response, 503, 'The server takes in other large files just now. Try again in a moment.')
    }, LONGEST_WAIT)
    response.once('close', () => clearTimeout(timer))
    tryToEnter()
  }
}
