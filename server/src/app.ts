import express, { type Express } from 'express'
import { rateLimit } from 'express-rate-limit'
import type { Kysely } from 'kysely'
import type { Logger } from 'pino'
import type { Tables } from './db/tables'
import { guard, ownPagesOnly } from './guard'
import { contentSecurity, pages } from './pages'
import { problemHandler, sendProblem } from './problem'
import { fileRoutes } from './routes/files'
import { projectRoutes } from './routes/projects'

export interface AppOptions {
  readonly db: Kysely<Tables>
  readonly log: Logger
  /** Names that requests may call this server by, without the port. */
  readonly hosts?: readonly string[]
  /** Folder of the built interface; without it only the API is served. */
  readonly webFolder?: string
  readonly requestsPerMinute?: number
}

const LOOPBACK = ['127.0.0.1', 'localhost', '[::1]']

export function createApp({ db, log, hosts = [], webFolder, requestsPerMinute = 3000 }: AppOptions): Express {
  const app = express()
  app.disable('x-powered-by')
  app.use(guard([...LOOPBACK, ...hosts]))
  app.use(contentSecurity())
  app.use('/api', ownPagesOnly)
  app.use(
    '/api',
    rateLimit({
      windowMs: 60_000,
      limit: requestsPerMinute,
      legacyHeaders: false,
      handler: (_q, r) => sendProblem(r, 429, 'Too many requests at once. Wait a minute and try again.'),
    }),
  )
  app.get('/api/health', (_request, response) => void response.json({ ok: true }))
  app.use('/api/projects', projectRoutes(db))
  app.use('/api/files', fileRoutes(db))
  app.use('/api', (_request, response) => sendProblem(response, 404, 'There is nothing at this address.'))
  if (webFolder) app.use(pages(webFolder))
  app.use(problemHandler(log))
  return app
}
