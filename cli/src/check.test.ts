import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Project } from '@hilera/core/model/project'
import { writeProjectFile } from '@hilera/core/projectFile/hilera'
import { casaNispero } from '@hilera/demo/casaNispero'
import { afterAll, describe, expect, it } from 'vitest'
import { quickDemo } from '../test/quickDemo'
import { run } from '../test/run'

const folder = mkdtempSync(join(tmpdir(), 'hilera-check-'))
afterAll(() => rmSync(folder, { recursive: true }))

function stored(name: string, change: (project: Project) => Project = (p) => p): string {
  const file = join(folder, name)
  writeFileSync(file, writeProjectFile(change(quickDemo()), new Map()))
  return file
}
/** Tins 20 mm to the side of the first ones, and a part that nobody uses. */
const doubled = (project: Project): Project => {
  const tins = project.patterns.find(({ id }) => id === 'shelf-tins')!
  const [x, y, z] = tins.place.move
  const aside = { ...tins, id: 'aside', name: 'Tins aside', place: { ...tins.place, move: [x + 0.02, y, z] as never } }
  const spare = casaNispero().parts.find(({ id }) => id === 'cake-stand')!
  return { ...project, parts: [...project.parts, spare], patterns: [...project.patterns, aside] }
}

describe('check', () => {
  it('nothing is wrong with a good arrangement: exit code 0', async () => {
    const { code, out } = await run('check', stored('good.hilera'))
    expect([code, out]).toEqual([0, 'Nothing is wrong.'])
  })

  it('says what is wrong, the worst first: exit code 1', async () => {
    const { code, out } = await run('check', stored('bad.hilera', doubled))
    expect(code).toBe(1)
    expect(out).toMatch(/^Shelf tins and Tins aside: \d+ pairs overlap, the deepest by [\d.]+ mm\.$/m)
    expect(out).toMatch(/^1 part is never used: Tower core\.$/m)
  })

  it('gives a pipeline the copies by their slots', async () => {
    const { code, out } = await run('check', stored('json.hilera', doubled), '--json')
    const { findings } = JSON.parse(out) as { findings: { what: string; copies?: string[]; other?: object }[] }
    expect(code).toBe(1)
    expect(findings.map(({ what }) => what)).toEqual(['between', 'unused'])
    expect(findings[0].copies).toContain('0')
    expect(findings[0].other).toMatchObject({ pattern: 'aside' })
  })

  it('a file that is not there is refused: exit code 2', async () => {
    const { code } = await run('check', join(folder, 'none.hilera'))
    expect(code).toBe(2)
  })
})
