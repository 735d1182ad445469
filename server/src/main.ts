import { existsSync, readFileSync } from 'node:fs'
import { resolve } from 'node:path'
import { casaNispero } from '@hilera/demo/casaNispero'
import { demoCard } from './demoCards'
import { pino } from 'pino'
import { createApp } from './app'
import { Locked, lockDatabase } from './db/lock'
import { closeDatabase } from './db/open'
import { httpServer } from './httpServer'
import { tidy } from './db/tidy'
import { writtenOf } from './applied'
import { insertProject, terraceIn } from './routes/projects'
import { CannotStart, openWhole, prepareFolder, settingsOf } from './start'

/** So often what nobody needs is removed, and the log beside the database brought in. */
const TIDY_EVERY = 6 * 60 * 60 * 1000

async function start(): Promise<void> {
  const { host, port, level, hosts, password, tls, behindProxy, ...settings } = settingsOf(process.env)
  const file = resolve(settings.file)
  const log = pino({ level })
  prepareFolder(file)
  const unlock = lockDatabase(file)
  process.once('exit', unlock)
  const db = await openWhole(file)

  const any = await db.selectFrom('projects').select('id').limit(1).executeTakeFirst()
  if (!any) {
    await insertProject(db, writtenOf(await terraceIn(db)), await demoCard('terrace'))
    await insertProject(db, writtenOf(casaNispero()), await demoCard('casaNispero'))
  }
  const tidied = (): Promise<void> =>
    tidy(db).then(
      (gone) => log.info(gone, 'tidied'),
      (fault: unknown) => log.error(fault),
    )
  await tidied()
  setInterval(() => void tidied(), TIDY_EVERY).unref()

  const webFolder = resolve(process.env.HILERA_WEB ?? 'web/dist')
  const app = createApp({
    db,
    log,
    hosts: [host, ...hosts],
    behindProxy,
    ...(existsSync(webFolder) && { webFolder }),
    ...(password !== undefined && { signIn: { password, secure: tls !== undefined || behindProxy } }),
  })
  const server = httpServer(app, tls && certificateOf(tls))
  server.once('error', (error) => end(new CannotStart(notListening(error, host, port))))
  server.listen(port, host, () => {
    const address = server.address()
    const at = typeof address === 'object' && address ? address.port : port
    console.log(`Hilera is ready: ${tls ? 'https' : 'http'}://${host}:${at}/`)
  })

  for (const signal of ['SIGINT', 'SIGTERM'] as const) {
    process.once(signal, () => {
      server.close(() => void closeDatabase(db).then(() => process.exit(0)))
      server.closeAllConnections()
    })
  }
}

function certificateOf({ cert, key }: { readonly cert: string; readonly key: string }): { cert: Buffer; key: Buffer } {
  try {
    return { cert: readFileSync(cert), key: readFileSync(key) }
  } catch {
    throw new CannotStart(
      `${cert} or ${key} cannot be read. Set HILERA_CERT and HILERA_KEY to the files of a certificate and of its key.`,
    )
  }
}

function notListening(error: NodeJS.ErrnoException, host: string, port: number): string {
  if (error.code === 'EADDRINUSE')
    return `Port ${port} is in use. Stop the other program or set HILERA_PORT to another number.`
  if (error.code === 'EACCES')
    return `Port ${port} is not allowed to this user. Set HILERA_PORT to a number above 1023.`
  return `This machine has no address ${host}. Set HILERA_HOST to one that it has, such as 127.0.0.1.`
}

/** One sentence and exit code 2 for what a person can change; anything else is a fault of ours and shows where it happened. */
function end(fault: unknown): void {
  console.error(fault instanceof CannotStart || fault instanceof Locked ? fault.message : fault)
  process.exit(2)
}

start().catch(end)
