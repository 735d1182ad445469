import { type RequestListener, type Server, createServer } from 'node:http'
import { createServer as createSecureServer } from 'node:https'

/**
 * So long a connection on which nothing is asked stays open, in milliseconds: longer than proxies keep theirs (a minute is common). One
 * that is closed just as the next question is sent fails that question, and not everyone sends a save again. With Node's own 5 s a
 * client that was busy for 6 s between two questions lost two of five.
 */
const KEPT_OPEN = 65_000

/** The server of an application; over TLS where there is a certificate. */
export function httpServer(app: RequestListener, tls?: { readonly cert: Buffer; readonly key: Buffer }): Server {
  const server: Server = tls ? createSecureServer(tls, app) : createServer(app)
  server.keepAliveTimeout = KEPT_OPEN
  return server
}
