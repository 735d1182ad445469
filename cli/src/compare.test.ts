import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { writeProjectFile } from '@hilera/core/projectFile/hilera'
import type { Project } from '@hilera/core/model/project'
import { parse } from 'csv-parse/sync'
import { afterAll, describe, expect, it } from 'vitest'
import { quickDemo } from '../test/quickDemo'
import { run } from '../test/run'

const folder = mkdtempSync(join(tmpdir(), 'hilera-compare-'))
afterAll(() => rmSync(folder, { recursive: true }))

function stored(name: string, change: (project: Project) => Project = (p) => p): string {
  const file = join(folder, name)
  writeFileSync(file, writeProjectFile(change(quickDemo()), new Map()))
  return file
}
const wider = (project: Project): Project => ({
  ...project,
  patterns: project.patterns.map((p) =>
    p.id === 'shelf-tins' && p.layout.kind === 'line' ? { ...p, layout: { ...p.layout, spacing: 0.02 } } : p,
  ),
})

describe('compare', () => {
  it('nothing differs from itself: exit code 0', async () => {
    const { code, out } = await run('compare', stored('a.hilera'), stored('b.hilera'))
    expect([code, out]).toEqual([0, 'unchanged 62'])
  })

  it('says what differs, in words and by copies: exit code 1', async () => {
    const { code, out } = await run('compare', stored('a.hilera'), stored('c.hilera', wider))
    expect(code).toBe(1)
    expect(out).toContain('[-12-]{+20+}')
    expect(out).toMatch(/^moved 8, by [\d.]+ mm at the most \(Shelf tins \d\)$/m)
    expect(out).toMatch(/^removed 1 \(Shelf tins 9\)$/m)
    const json = await run('compare', stored('a.hilera'), stored('c.hilera', wider), '--json')
    const told = JSON.parse(json.out) as { differs: boolean; changed: Record<string, { count: number; slots: object }> }
    expect([json.code, told.differs, told.changed['moved'].count]).toEqual([1, true, 8])
    expect(told.changed['removed'].slots).toEqual({ 'shelf-tins': ['8'] })
  })

  it('what cannot be compared is refused: exit code 2', async () => {
    expect(await run('compare', stored('a.hilera'))).toMatchObject({ code: 2, out: '' })
    expect((await run('compare', stored('a.hilera'), join(folder, 'none.hilera'))).code).toBe(2)
  })
})

describe('table', () => {
  it('writes all copies with what was asked for, and says so', async () => {
    const to = join(folder, 'out.csv')
    const { code, out } = await run('table', stored('a.hilera'), to, '--unit', 'm', '--up', 'z', '--turn', 'quaternion')
    expect([code, out]).toEqual([0, `${to}: 62 copies, ${readFileSync(to).length} bytes.`])
    const [columns, ...rows] = parse(readFileSync(to)) as string[][]
    expect(columns).toEqual(expect.arrayContaining(['x [m, z up]', 'qw']))
    expect(rows).toHaveLength(62)
    const json = join(folder, 'out.json')
    expect((await run('table', stored('a.hilera'), json)).code).toBe(0)
    const told = JSON.parse(readFileSync(json, 'utf8')) as { unit: string; columns: string[]; copies: unknown[][] }
    expect([told.unit, told.copies.length, told.copies[0].length]).toEqual(['mm', 62, told.columns.length])
  })

  it('refuses other endings and values, and writes nothing', async () => {
    expect(await run('table', stored('a.hilera'), join(folder, 'out.glb'))).toMatchObject({ code: 2 })
    const bad = await run('table', stored('a.hilera'), join(folder, 'bad.csv'), '--unit', 'furlong')
    expect(bad.code).toBe(2)
    expect(() => readFileSync(join(folder, 'bad.csv'))).toThrow()
  })
})
