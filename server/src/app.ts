import compression from 'compression'
import express, { type Express, type Request } from 'express'
import { rateLimit } from 'express-rate-limit'
import type { Kysely } from 'kysely'
import type { Logger } from 'pino'
import type { Tables } from './db/tables'
import { guard, ownPagesOnly } from './guard'
import { contentSecurity, pages } from './pages'
import { problemHandler, sendProblem } from './problem'
import { fileRoutes } from './routes/files'
import { type SignInOptions, signIn } from './signIn'
import { projectRoutes } from './routes/projects'
import { recipeRoutes } from './routes/recipes'
import { versionRoutes } from './routes/versions'

export interface AppOptions {
  readonly db: Kysely<Tables>
  readonly log: Logger
  /** Names that requests may call this server by, without the port. */
  readonly hosts?: readonly string[]
  /** Folder of the built interface; without it only the API is served. */
  readonly webFolder?: string
  readonly requestsPerMinute?: number
  /** Asked of everybody where the server is reached from other machines. */
  readonly signIn?: SignInOptions
  /** Another program in front of it ends TLS and says who asks. */
  readonly behindProxy?: boolean
}

const LOOPBACK = ['127.0.0.1', 'localhost', '[::1]']

const isReading = (method: string): boolean => method === 'GET' || method === 'HEAD'

/** So many requests a minute from one address, of those that are not passed over; when to ask again is said. */
const limitTo = (limit: number, skip: (request: Request) => boolean) =>
  rateLimit({
    windowMs: 60_000,
    limit,
    skip,
    legacyHeaders: false,
    standardHeaders: 'draft-8',
    handler: (_q, r) => sendProblem(r, 429, 'Too many requests at once. Wait a minute and try again.'),
  })

export function createApp({
  db,
  log,
  hosts = [],
  webFolder,
  requestsPerMinute = 3000,
  signIn: asked,
  behindProxy,
}: AppOptions): Express {
  const app = express()
  app.disable('x-powered-by')
  if (behindProxy) app.set('trust proxy', 1)
  app.use(guard([...LOOPBACK, ...hosts]))
  app.use(contentSecurity())
  app.use(compression())
  app.use('/api', ownPagesOnly)
  if (asked) app.use(signIn(asked))
  // Apart, so that reading, however much of it, never keeps a person's work from being saved.
  app.use(
    '/api',
    limitTo(requestsPerMinute, ({ method }) => !isReading(method)),
  )
  app.use(
    '/api',
    limitTo(requestsPerMinute, ({ method }) => isReading(method)),
  )
  app.get('/api/health', (_request, response) => void response.json({ ok: true }))
  app.use('/api/projects/:id/versions', versionRoutes(db))
  app.use('/api/projects', projectRoutes(db))
  app.use('/api/recipes', recipeRoutes(db))
  app.use('/api/files', fileRoutes(db))
  app.use('/api', (_request, response) => sendProblem(response, 404, 'There is nothing at this address.'))
  if (webFolder) app.use(pages(webFolder))
  app.use(problemHandler(log))
  return app
}
