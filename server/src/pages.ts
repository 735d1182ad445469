import { randomBytes } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { type RequestHandler, Router } from 'express'
import packed from 'express-static-gzip'
import helmet from 'helmet'

/** The built interface: hashed files for ever, the page itself fresh each time with a nonce for its styles. */
export function pages(folder: string): Router {
  const page = readFileSync(join(folder, 'index.html'), 'utf8')
  const routes = Router()
  const served = { index: false, enableBrotli: true, orderPreference: ['br', 'gzip'] }
  routes.use('/assets', packed(join(folder, 'assets'), { ...served, serveStatic: { immutable: true, maxAge: '1y' } }))
  routes.use(packed(folder, { ...served, serveStatic: { maxAge: 0 } }))
  const sendPage: RequestHandler = (_request, response) => {
    const nonce = response.locals.nonce as string
    response.type('html').set('Cache-Control', 'no-store').send(page.replaceAll('__NONCE__', nonce))
  }
  routes.get(/^\/(?!api\/|assets\/).*/, sendPage)
  return routes
}

/** Strict content security: own scripts and workers only, style elements by nonce, nothing from elsewhere. */
export function contentSecurity(): RequestHandler[] {
  const nonce: RequestHandler = (_request, response, next) => {
    response.locals.nonce = randomBytes(16).toString('base64')
    next()
  }
  const policy = helmet({
    strictTransportSecurity: false,
    // With none at all browsers hide where the sign-in form comes from, and it would be refused as from elsewhere.
    referrerPolicy: { policy: 'same-origin' },
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'"],
        styleSrc: [
          "'self'",
          (_request, response) => `'nonce-${(response as unknown as { locals: { nonce: string } }).locals.nonce}'`,
        ],
        styleSrcAttr: ["'unsafe-inline'"],
        imgSrc: ["'self'", 'data:', 'blob:'],
        fontSrc: ["'self'", 'data:'],
        connectSrc: ["'self'", 'blob:', 'data:'],
        workerSrc: ["'self'", 'blob:'],
        objectSrc: ["'none'"],
        baseUri: ["'none'"],
        formAction: ["'self'"],
        frameAncestors: ["'none'"],
      },
    },
  })
  return [nonce, policy]
}
