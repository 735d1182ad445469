import { existsSync, mkdirSync } from 'node:fs'
import { dirname, resolve } from 'node:path'
import { casaNispero } from '@hilera/demo/casaNispero'
import { pino } from 'pino'
import { createApp } from './app'
import { closeDatabase, openDatabase } from './db/open'
import { insertProject, terraceIn } from './routes/projects'

const {
  HILERA_DATA = 'data/hilera.db',
  HILERA_HOST = '127.0.0.1',
  HILERA_PORT = '4180',
  HILERA_WEB = 'web/dist',
  HILERA_LOG = 'info',
} = process.env

const log = pino({ level: HILERA_LOG })
const file = resolve(HILERA_DATA)
mkdirSync(dirname(file), { recursive: true })
const db = await openDatabase(file)

const any = await db.selectFrom('projects').select('id').limit(1).executeTakeFirst()
if (!any) {
  await insertProject(db, await terraceIn(db))
  await insertProject(db, casaNispero())
}

const webFolder = resolve(HILERA_WEB)
const app = createApp({ db, log, hosts: [HILERA_HOST], ...(existsSync(webFolder) && { webFolder }) })
const server = app.listen(Number(HILERA_PORT), HILERA_HOST, (error?: Error) => {
  if (error) {
    const taken = (error as NodeJS.ErrnoException).code === 'EADDRINUSE'
    console.error(
      taken
        ? `Port ${HILERA_PORT} is in use. Stop the other program or set HILERA_PORT to another number.`
        : error.message,
    )
    process.exit(1)
  }
  const address = server.address()
  const port = typeof address === 'object' && address ? address.port : HILERA_PORT
  console.log(`Hilera is ready: http://${HILERA_HOST}:${port}/`)
})

for (const signal of ['SIGINT', 'SIGTERM'] as const) {
  process.once(signal, () => {
    server.close(() => void closeDatabase(db).then(() => process.exit(0)))
    server.closeAllConnections()
  })
}
