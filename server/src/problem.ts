import type { ErrorRequestHandler, Response } from 'express'
import type { Logger } from 'pino'
import type { ProblemDocument } from './api'

const titles: Record<number, string> = {
  400: 'Bad request',
  403: 'Not allowed',
  404: 'Not found',
  409: 'Changed elsewhere',
  413: 'Too large',
  415: 'Wrong type',
  428: 'Revision needed',
  429: 'Too many requests',
  500: 'Our fault',
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
    sendProblem(response, 500, 'Something went wrong here. Try again; nothing was changed.')
  }
