import { createHash, randomBytes, timingSafeEqual } from 'node:crypto'
import { parse } from 'cookie'
import express, { type Request, type RequestHandler, Router } from 'express'
import { rateLimit } from 'express-rate-limit'
import { sendProblem } from './problem'

/** What is asked of whoever comes from another machine. */
export interface SignInOptions {
  readonly password: string
  /** Whether the way to the browser is by TLS: the cookie goes no other way then. */
  readonly secure: boolean
}

const COOKIE = 'hilera'
const PATH = '/sign-in'
/** A session ends after so long, or when the server is started again. */
const LASTS = 7 * 24 * 60 * 60 * 1000
/** So many wrong passwords from one address in a quarter of an hour; then it has to wait. */
const TRIES = 10
const QUARTER = 15 * 60_000

const hashOf = (text: string): Buffer => createHash('sha256').update(text).digest()

/**
 * A password and a session behind a cookie: HttpOnly, SameSite=Strict, and Secure where the way is. Without it pages lead to where the
 * password is asked, and the API says 401. Passwords are compared in a time that tells nothing of them; tries are limited.
 */
export function signIn({ password, secure }: SignInOptions): Router {
  const wanted = hashOf(password)
  const sessions = new Map<string, number>()
  const isOpen = (request: Request): boolean => {
    const token = parse(request.headers.cookie ?? '')[COOKIE]
    const until = token === undefined ? undefined : sessions.get(token)
    if (token !== undefined && until !== undefined && until <= Date.now()) sessions.delete(token)
    return until !== undefined && until > Date.now()
  }
  const routes = Router()
  const tries = rateLimit({
    windowMs: QUARTER,
    limit: TRIES,
    skipSuccessfulRequests: true,
    legacyHeaders: false,
    standardHeaders: 'draft-8',
    handler: (_request, response) => {
      response
        .status(429)
        .type('html')
        .send(page(response.locals.nonce as string, 'Too many tries. Wait a quarter of an hour.'))
    },
  })
  routes.get(PATH, (_request, response) => {
    response
      .set('Cache-Control', 'no-store')
      .type('html')
      .send(page(response.locals.nonce as string))
  })
  routes.post(PATH, tries, express.urlencoded({ extended: false, limit: 4096 }), (request, response) => {
    const said = (request.body as { password?: unknown } | undefined)?.password
    if (typeof said !== 'string' || !timingSafeEqual(hashOf(said), wanted)) {
      response
        .status(401)
        .type('html')
        .send(page(response.locals.nonce as string, 'That is not the password. Type it again.'))
      return
    }
    const token = randomBytes(32).toString('base64url')
    for (const [old, until] of sessions) if (until <= Date.now()) sessions.delete(old)
    sessions.set(token, Date.now() + LASTS)
    response.cookie(COOKIE, token, { httpOnly: true, sameSite: 'strict', secure, maxAge: LASTS, path: '/' })
    response.redirect(303, '/')
  })
  const only: RequestHandler = (request, response, next) => {
    if (isOpen(request)) return next()
    if (request.path.startsWith('/api/'))
      return sendProblem(
        response,
        401,
        'You are signed out. Reload this page and sign in; changes are kept in this browser.',
      )
    response.redirect(303, PATH)
  }
  routes.use(only)
  return routes
}

/** The one page that is seen without a session: a field and a button. */
const page = (nonce: string, fault = ''): string => `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width">
<title>Hilera</title>
<style nonce="${nonce}">
body { margin: 0; min-height: 100vh; display: grid; place-items: center; background: #faf7f1; color: #24262e; font: 15px/1.5 system-ui, sans-serif; }
form { display: grid; gap: 12px; width: 300px; padding: 28px; background: #fffdf9; border: 1px solid #e0d8c8; border-radius: 8px; }
h1 { margin: 0; font: 500 26px Georgia, serif; }
label { font-size: 13px; color: #5f5e64; }
input { width: 100%; box-sizing: border-box; margin-top: 4px; padding: 9px 10px; border: 1px solid #8d8471; border-radius: 7px; font: inherit; background: #fffdf9; }
button { padding: 10px; border: 0; border-radius: 7px; background: #24262e; color: #fffdf9; font: inherit; cursor: pointer; }
p { margin: 0; color: #b3261e; }
:focus-visible { outline: 2px solid #a8325e; outline-offset: 2px; }
</style>
</head>
<body>
<form method="post" action="${PATH}">
<h1>Hilera</h1>
<label>Password<input type="password" name="password" autocomplete="current-password" required autofocus></label>
${fault ? `<p role="alert">${fault}</p>` : ''}
<button>Sign in</button>
</form>
</body>
</html>
`
