import { existsSync } from 'node:fs'
import { resolve } from 'node:path'
import Libsql from 'libsql'

/**
 * A whole copy of the database in one file, also while the server runs and saves: npm run backup -- [FILE]. Without a name it is
 * called after the time.
 */
const from = resolve(process.env.HILERA_DATA ?? 'data/hilera.db')
const time = new Date().toISOString().slice(0, 19).replaceAll(':', '-')
const to = resolve(process.argv[2] ?? `${from.replace(/\.db$/, '')}-${time}.db`)

function end(sentence) {
  console.error(sentence)
  process.exit(2)
}

if (!existsSync(from)) end(`There is no database at ${from}. Set HILERA_DATA to the one that is to be copied.`)
if (existsSync(to)) end(`${to} is there already. Give another name.`)
try {
  const database = new Libsql(from)
  database.pragma('busy_timeout = 5000')
  database.prepare('VACUUM INTO ?').run(to)
  database.close()
} catch (fault) {
  end(`${from} could not be copied to ${to}: ${fault.message}.`)
}
console.log(to)
