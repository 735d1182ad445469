import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import type { open } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'

const disk = vi.hoisted(() => ({ full: false }))
vi.mock('node:fs/promises', async (original) => {
  const real = await original<{ open: typeof open }>()
  return {
    ...real,
    async open(...args: Parameters<typeof open>) {
      const file = await real.open(...args)
      // A disk on which half of it had room.
      if (disk.full)
        file.writeFile = async (bytes) => {
          await file.write((bytes as Uint8Array).subarray(0, 2))
          throw Object.assign(new Error('no space left'), { code: 'ENOSPC' })
        }
      return file
    },
  }
})
const { writeWhole } = await import('./writeWhole')

describe('a file is written whole or not at all', () => {
  let folder: string
  const path = (): string => join(folder, 'a.glb')
  beforeEach(() => {
    disk.full = false
    folder = mkdtempSync(join(tmpdir(), 'hilera-'))
    writeFileSync(path(), 'before')
  })
  afterEach(() => rmSync(folder, { recursive: true }))

  it('takes the place of what stood there', async () => {
    await writeWhole(path(), Buffer.from('after'))
    expect(readFileSync(path(), 'utf8')).toBe('after')
    expect(readdirSync(folder)).toEqual(['a.glb'])
  })

  it('leaves what stood there as it was on a full disk, and nothing beside it', async () => {
    disk.full = true
    await expect(writeWhole(path(), Buffer.from('after'))).rejects.toMatchObject({
      says: `${path()} cannot be written. The disk is full: make room on it.`,
    })
    expect(readFileSync(path(), 'utf8')).toBe('before')
    expect(readdirSync(folder)).toEqual(['a.glb'])
  })

  it('says what to look at where the folder is not there', async () => {
    await expect(writeWhole(join(folder, 'no', 'a.glb'), Buffer.from('x'))).rejects.toMatchObject({
      says: expect.stringContaining('Check that its folder exists and may be written to.') as string,
    })
  })
})
