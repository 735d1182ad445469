import type { ErrorRequestHandler, Response } from 'express'
import type { Logger } from 'pino'
import type { ProblemDocument } from './api'

const titles: Record<number, string> = {
  400: 'Bad request',
  401: 'Signed out',
  403: 'Not allowed',
  404: 'Not found',
  409: 'Changed elsewhere',
  413: 'Too large',
  415: 'Wrong type',
  428: 'Revision needed',
  429: 'Too many requests',
  500: 'Our fault',
  503: 'Busy',
  507: 'No room',
}

/** Says no as RFC 9457 asks: a problem document with a sentence for people. */
export function sendProblem(
  response: Response,
  status: number,
  detail: string,
  more: Partial<ProblemDocument> = {},
): void {
  const problem: ProblemDocument = { type: 'about:blank', title: titles[status] ?? 'Problem', status, detail, ...more }
  response.status(status).type('application/problem+json').send(JSON.stringify(problem))
}

/** What the disk or the file under the database refuses, in a sentence; reading goes on all the while. */
function storageFault(error: object): { readonly status: number; readonly detail: string } | undefined {
  const code = 'code' in error ? String(error.code) : ''
  if (/^SQLITE_FULL|^ENOSPC/.test(code))
    return {
      status: 507,
      detail: 'The disk of the server is full. Nothing was changed; make room on it, then try again.',
    }
  if (/^SQLITE_(READONLY|PERM|CANTOPEN)/.test(code))
    return {
      status: 507,
      detail: 'The database of the server cannot be written. Nothing was changed; look at its rights.',
    }
  if (/^SQLITE_IOERR/.test(code))
    return {
      status: 507,
      detail: 'The disk of the server failed. Nothing was changed; look at the disk, then try again.',
    }
  if (/^SQLITE_(BUSY|LOCKED)/.test(code))
    return { status: 503, detail: 'The database is held by another program. Nothing was changed; it is tried again.' }
  return undefined
}

/** The last handler: what body parsers refuse gets its sentence, our own faults are logged and told without details. */
export const problemHandler =
  (log: Logger): ErrorRequestHandler =>
  (error: { status?: number; type?: string; limit?: number }, _request, response, next) => {
    if (response.headersSent) return next(error)
    if (error.status === 413) {
      return sendProblem(
        response,
        413,
        `That is too large: up to ${Math.floor((error.limit ?? 0) / 2 ** 20)} MB can be taken.`,
      )
    }
    if (error.status && error.status < 500) return sendProblem(response, error.status, 'The request could not be read.')
    log.error(error)
    const storage = storageFault(error)
    if (storage) {
      if (storage.status === 503) response.set('Retry-After', '2')
      return sendProblem(response, storage.status, storage.detail)
    }
    sendProblem(response, 500, 'Something went wrong here. Try again; nothing was changed.')
  }
