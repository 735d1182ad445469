import { strToU8, unzipSync, zipSync } from 'fflate'
import { describe, expect, it } from 'vitest'
import { aLine, aPattern, aProject, box } from '../../test/projects'
import { sentenceText } from '../numbers/format'
import { sha256Of } from '../sha256'
import type { Vary } from '../steps/vary/schema'
import { filesOfProject } from '../model/references'
import { readProjectFile, writeProjectFile } from './hilera'
import type { KeptState } from './kept'
import { writePgm } from '../pictures/pgm'

const mesh = new Uint8Array([1, 2, 3, 4])
const hash = await sha256Of(mesh)
const shape = {
  kind: 'mesh' as const,
  file: hash,
  fileName: 'thing.glb',
  unit: 'm' as const,
  low: [0, 0, 0] as [number, number, number],
  high: [1, 1, 1] as [number, number, number],
  triangles: 1,
}
const project = aProject([box('tin', 0.1), { ...box('thing', 1), shape }], aPattern(aLine(), ['tin', 'thing']))
const packed = writeProjectFile(project, new Map([[hash, mesh]]))

const says = async (bytes: Uint8Array): Promise<string> => {
  const read = await readProjectFile(bytes, 'a.hilera')
  return read.ok ? 'read' : sentenceText(read.problem.says, 'mm')
}
const repacked = (change: (entries: Record<string, Uint8Array>) => void): Uint8Array => {
  const entries = unzipSync(packed)
  change(entries)
  return zipSync(entries)
}

describe('a project file', () => {
  it('opens as what was saved, meshes and all, and is the same file each time', async () => {
    const read = await readProjectFile(packed, 'a.hilera')
    expect(read.ok && read.value.project).toEqual(project)
    expect(read.ok && [...read.value.files]).toEqual([[hash, mesh]])
    expect(writeProjectFile(project, new Map([[hash, mesh]]))).toEqual(packed)
  })

  it('takes versions along, each state once, with the files that only they name', async () => {
    const only = { ...project, name: 'Before', patterns: [] }
    const picture = 'data:image/webp;base64,UklGRg=='
    const versions: KeptState[] = [
      { note: 'Before', byItself: true, createdAt: '2026-03-01T10:00:00.000Z', copies: 0, document: only },
      { note: '', byItself: false, createdAt: '2026-03-02T10:00:00.000Z', copies: 5, picture, document: project },
      { note: 'again', byItself: false, createdAt: '2026-03-03T10:00:00.000Z', copies: 0, document: only },
    ]
    const bare = { ...project, parts: project.parts.slice(0, 1) }
    bare.patterns = [aPattern(aLine(), ['tin'])]
    const file = writeProjectFile(bare, new Map([[hash, mesh]]), versions)
    expect(Object.keys(unzipSync(file)).filter((name) => name.startsWith('versions/'))).toHaveLength(2)
    const read = await readProjectFile(file, 'a.hilera')
    expect(read.ok && read.value.versions).toEqual(versions)
    expect(read.ok && [...read.value.files.keys()]).toEqual([hash])
    // A version that lacks what it needs is a damaged file, not one version less.
    const spoiled = async (change: (entries: Record<string, Uint8Array>) => void): Promise<string> => {
      const entries = unzipSync(file)
      change(entries)
      return says(zipSync(entries))
    }
    expect(await spoiled((e) => delete e['versions/1.json'])).toBe('a.hilera is damaged: its version 1 cannot be read.')
    expect(await spoiled((e) => (e['versions.json'] = strToU8('[{}]')))).toContain('the list of its versions')
    expect(await spoiled((e) => delete e[`files/${hash}`])).toContain('lacks the mesh of thing')
  })

  it('is refused with a sentence when it cannot be opened', async () => {
    expect(await says(new Uint8Array(0))).toContain('is empty')
    expect(await says(packed.slice(0, 100))).toContain('not a .hilera file, or it is cut off')
    expect(await says(repacked((e) => delete e['project.json']))).toContain('holds no project.json')
    expect(await says(repacked((e) => (e['project.json'] = strToU8('{'))))).toContain('cannot be read')
    expect(await says(repacked((e) => delete e[`files/${hash}`]))).toBe(
      'a.hilera lacks the mesh of thing. Download it again from where it was made.',
    )
    expect(await says(repacked((e) => (e[`files/${hash}`] = strToU8('x'))))).toContain(
      'the mesh of thing is not what it was saved as',
    )
    expect(
      await says(repacked((e) => (e['project.json'] = strToU8(JSON.stringify({ ...project, schema: 99 }))))),
    ).toContain('comes from a newer Hilera')
  })

  it('carries the brightness of a picture that drives a variation, and lacks it with a sentence', async () => {
    const gray = writePgm({ width: 2, height: 1, values: Uint8Array.of(0, 255), most: 255 })
    const file = await sha256Of(gray)
    const vary: Vary = {
      kind: 'vary',
      id: 'v',
      what: 'size',
      low: 0.5,
      high: 1,
      spread: 'even',
      axes: 'copy',
      seed: 1,
      share: 1,
      strength: 1,
      by: { kind: 'picture', file, fileName: 'ramp.png', plane: 'ground', middle: [0, 0], width: 1 },
    }
    const driven = aProject([box('tin', 0.1)], aPattern(aLine(), ['tin'], { steps: [vary, { ...vary, id: 'w' }] }))
    // Named twice, it is kept once.
    expect(filesOfProject(driven)).toEqual([{ file, what: 'picture', name: 'Shelf tins' }])
    const read = await readProjectFile(writeProjectFile(driven, new Map([[file, gray]])), 'a.hilera')
    expect(read.ok && read.value.project).toEqual(driven)
    expect(read.ok && [...read.value.files]).toEqual([[file, new Uint8Array(gray)]])
    expect(await says(writeProjectFile(driven, new Map()))).toBe(
      'a.hilera lacks the picture of Shelf tins. Download it again from where it was made.',
    )
  })
})
