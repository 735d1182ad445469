import { accessSync, constants, existsSync, mkdirSync, statSync } from 'node:fs'
import { dirname } from 'node:path'
import { type Kysely, sql } from 'kysely'
import { openDatabase } from './db/open'
import type { Tables } from './db/tables'

/** What keeps the server from starting, in a sentence that says what to do. */
export class CannotStart extends Error {}

const levels = ['fatal', 'error', 'warn', 'info', 'debug', 'trace', 'silent']

/** What the environment says, checked. */
export interface Settings {
  readonly file: string
  readonly host: string
  readonly port: number
  readonly level: string
  /** Names that it is called by, besides its address. */
  readonly hosts: readonly string[]
  readonly password: string | undefined
  /** Files of a certificate and its key: it speaks TLS itself then. */
  readonly tls: { readonly cert: string; readonly key: string } | undefined
  /** TLS is ended by another program in front of it. */
  readonly behindProxy: boolean
}

const LOOPBACK = ['127.0.0.1', 'localhost', '::1', '[::1]']
const EVERYWHERE = ['0.0.0.0', '::', '[::]']
const SHORTEST_PASSWORD = 12

/** @throws CannotStart for what cannot be meant */
export function settingsOf({
  HILERA_DATA = 'data/hilera.db',
  HILERA_HOST = '127.0.0.1',
  HILERA_PORT = '4180',
  HILERA_LOG = 'info',
  HILERA_HOSTS = '',
  HILERA_PASSWORD,
  HILERA_CERT,
  HILERA_KEY,
  HILERA_PROXY,
}: Readonly<Record<string, string | undefined>>): Settings {
  const port = Number(HILERA_PORT)
  if (HILERA_PORT.trim() === '' || !Number.isInteger(port) || port < 0 || port > 65_535)
    throw new CannotStart(`HILERA_PORT is “${HILERA_PORT}”; give a whole number up to 65535, such as 4180.`)
  if (!levels.includes(HILERA_LOG))
    throw new CannotStart(`HILERA_LOG is “${HILERA_LOG}”; give one of ${levels.join(', ')}.`)
  if (!/^[\w.:[\]-]+$/.test(HILERA_HOST))
    throw new CannotStart(`HILERA_HOST is “${HILERA_HOST}”; give an address such as 127.0.0.1.`)
  if (HILERA_DATA.trim() === '') throw new CannotStart('HILERA_DATA is empty; give the path of a file.')
  const tls = HILERA_CERT && HILERA_KEY ? { cert: HILERA_CERT, key: HILERA_KEY } : undefined
  if (!tls && (HILERA_CERT || HILERA_KEY))
    throw new CannotStart('Give both HILERA_CERT and HILERA_KEY: the files of a certificate and of its key.')
  if (HILERA_PASSWORD !== undefined && HILERA_PASSWORD.length < SHORTEST_PASSWORD)
    throw new CannotStart(`HILERA_PASSWORD is too short; give one of ${SHORTEST_PASSWORD} characters or more.`)
  const settings = {
    file: HILERA_DATA,
    host: HILERA_HOST,
    port,
    level: HILERA_LOG,
    hosts: HILERA_HOSTS.split(',').flatMap((name) => name.trim() || []),
    password: HILERA_PASSWORD,
    tls,
    behindProxy: HILERA_PROXY === '1',
  }
  if (!LOOPBACK.includes(HILERA_HOST)) checkOpen(settings)
  return settings
}

/** Beyond this machine it lets nobody in without a password, nor over a way that others can listen to. @throws CannotStart */
function checkOpen({ host, hosts, password, tls, behindProxy }: Settings): void {
  if (password === undefined)
    throw new CannotStart(`On ${host} other machines reach it: set HILERA_PASSWORD, or HILERA_HOST to 127.0.0.1.`)
  if (!tls && !behindProxy)
    throw new CannotStart(
      `On ${host} the password would go over the network as it is: set HILERA_CERT and HILERA_KEY, or HILERA_PROXY=1 where another program in front of it ends TLS.`,
    )
  if (EVERYWHERE.includes(host) && hosts.length === 0)
    throw new CannotStart('Set HILERA_HOSTS to the names by which it is called, such as hilera.example.')
}

/** Makes the folder of the database and checks that file and folder can be written. @throws CannotStart where they cannot */
export function prepareFolder(file: string): void {
  const folder = dirname(file)
  try {
    mkdirSync(folder, { recursive: true })
    accessSync(folder, constants.W_OK)
  } catch {
    throw new CannotStart(
      `${folder} cannot be written. Set HILERA_DATA to a file in a folder that can, or change its rights.`,
    )
  }
  if (!existsSync(file)) return
  if (!statSync(file).isFile())
    throw new CannotStart(`${file} is a folder. Set HILERA_DATA to a file, such as ${file}/hilera.db.`)
  try {
    accessSync(file, constants.R_OK | constants.W_OK)
  } catch {
    throw new CannotStart(`${file} cannot be written. Change its rights, or set HILERA_DATA to another file.`)
  }
}

/** Opens the database, looks whether it is whole and takes a write. @throws CannotStart for what is none, or of a newer Hilera */
export async function openWhole(file: string): Promise<Kysely<Tables>> {
  let db: Kysely<Tables>
  try {
    db = await openDatabase(file)
  } catch (fault) {
    throw new CannotStart(whyNot(file, fault))
  }
  try {
    const { rows } = await sql<Record<string, string>>`PRAGMA quick_check(1)`.execute(db)
    if (Object.values(rows[0] ?? {})[0] !== 'ok') throw new CannotStart(damaged(file))
    await sql`BEGIN IMMEDIATE`.execute(db)
    await sql`PRAGMA user_version = 1`.execute(db)
    await sql`ROLLBACK`.execute(db)
    return db
  } catch (fault) {
    await db.destroy()
    throw fault instanceof CannotStart ? fault : new CannotStart(whyNot(file, fault))
  }
}

const damaged = (file: string): string =>
  `${file} is damaged. Put a copy of it in its place (see docs/server.md), or set HILERA_DATA to another file.`

function whyNot(file: string, fault: unknown): string {
  const { code = '', message } = fault as { code?: string; message: string }
  if (code === 'SQLITE_NOTADB') return `${file} is no Hilera database. Set HILERA_DATA to another file.`
  if (/corrupted migrations|previously executed migration/i.test(message))
    return `${file} comes from a newer Hilera. Update Hilera to open it.`
  if (/SQLITE_(READONLY|CANTOPEN|PERM)/.test(code))
    return `${file} cannot be written. Change its rights, or set HILERA_DATA.`
  if (/SQLITE_(FULL|IOERR)/.test(code)) return `${file} cannot be written: the disk is full or fails. Make room on it.`
  if (/SQLITE_(BUSY|LOCKED)/.test(code)) return `${file} is held by another program. Close that one first.`
  if (/SQLITE_CORRUPT/.test(code)) return damaged(file)
  return `${file} could not be opened: ${message}. Set HILERA_DATA to another file.`
}
