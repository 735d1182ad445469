import { readFileSync, rmSync, writeFileSync } from 'node:fs'
import { hostname } from 'node:os'

/** A database that another server has open. */
export class Locked extends Error {}

/**
 * Says in a file beside the database that it is open here, so that no second server opens it. One that was left behind by a process
 * that is no more is taken over.
 *
 * @returns gives it free again
 */
export function lockDatabase(file: string): () => void {
  const lock = `${file}.lock`
  const mine = JSON.stringify({ pid: process.pid, host: hostname() })
  for (let tries = 0; ; tries++) {
    try {
      writeFileSync(lock, mine, { flag: 'wx' })
      return () => rmSync(lock, { force: true })
    } catch (fault) {
      if ((fault as NodeJS.ErrnoException).code !== 'EEXIST' || tries > 3) throw fault
    }
    const owner = ownerOf(lock)
    if (owner && isAlive(owner))
      throw new Locked(
        `${file} is open in another Hilera (process ${owner.pid} on ${owner.host}). Stop that one, or set HILERA_DATA to another file.`,
      )
    rmSync(lock, { force: true })
  }
}

interface Owner {
  readonly pid: number
  readonly host: string
}

function ownerOf(lock: string): Owner | undefined {
  try {
    const { pid, host } = JSON.parse(readFileSync(lock, 'utf8')) as Partial<Owner>
    return typeof pid === 'number' && typeof host === 'string' ? { pid, host } : undefined
  } catch {
    // Cut off in the middle of being written, or gone by now.
    return undefined
  }
}

/** Whether its process still runs; of another machine that cannot be told, and it is taken to. */
function isAlive({ pid, host }: Owner): boolean {
  if (host !== hostname()) return true
  if (pid === process.pid) return false
  try {
    process.kill(pid, 0)
    return true
  } catch (fault) {
    return (fault as NodeJS.ErrnoException).code === 'EPERM'
  }
}
