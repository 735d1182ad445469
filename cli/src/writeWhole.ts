import { randomUUID } from 'node:crypto'
import { open, rename, rm } from 'node:fs/promises'
import { basename, dirname, join } from 'node:path'
import { Refused } from './arguments'

/**
 * Writes a file whole or not at all: beside its place first, and renamed once every byte is on the disk. What stood there stays
 * until then, so that a full disk or a break costs nobody anything.
 */
export async function writeWhole(path: string, bytes: Uint8Array): Promise<void> {
  const beside = join(dirname(path), `.${basename(path)}.${randomUUID().slice(0, 8)}`)
  try {
    const file = await open(beside, 'wx')
    try {
      await file.writeFile(bytes)
      await file.sync()
    } finally {
      await file.close()
    }
    await rename(beside, path)
  } catch (fault) {
    await rm(beside, { force: true })
    const full = (fault as NodeJS.ErrnoException).code === 'ENOSPC'
    throw new Refused(
      `${path} cannot be written. ${full ? 'The disk is full: make room on it.' : 'Check that its folder exists and may be written to.'}`,
    )
  }
}
