import { parse } from 'csv-parse/sync'
import type { quat } from 'gl-matrix'
import { mat4 } from 'gl-matrix'
import Papa from 'papaparse'
import * as THREE from 'three'
import { describe, expect, it } from 'vitest'
import { casaNispero } from '@hilera/demo/casaNispero'
import type { Project } from '../../src/model/project'
import type { Quaternion } from '../../src/geometry/rotation'
import { Ledger } from '../../src/ledger/ledger'
import type { WriterOptions } from '../../src/writers/definition'
import { writerFor } from '../../src/writers/index'
import { workedScene } from '../../src/writers/scene'
import { aLine, aPattern, aProject, box } from '../projects'

/** A table as its bytes say, read by a parser of RFC 4180 that is not the one that wrote it (csv-parse 6.1.0). */
async function table(project: Project, options: WriterOptions = {}) {
  const writer = writerFor('out.csv')
  if (!writer.ok) throw new Error()
  const written = await writer.value.write(workedScene(project, new Map()), { ...writer.value.usual(0), ...options })
  if (!written.ok) throw new Error(JSON.stringify(written.problem))
  const text = new TextDecoder().decode(written.value.bytes)
  const [columns, ...rows] = parse(text, { delimiter: options.decimal === 'comma' ? ';' : ',' }) as string[][]
  const of = (row: readonly string[], name: string): string => row[columns.findIndex((c) => c.split(' [')[0] === name)]
  const number = (row: readonly string[], name: string): number => Number(of(row, name).replace(',', '.'))
  return { text, columns, rows, of, number }
}

/** The demo, its sweets laid down askew, seen as patterns in a turned pattern too. */
const demo = casaNispero()
const leaning: Project = {
  ...demo,
  patterns: demo.patterns.map((p, i) => ({ ...p, place: { ...p.place, turn: [0.3, 0.2 * i, -0.4] } })),
}

describe('P3: tables out, read by others', () => {
  it('two parsers of RFC 4180 read the same lines, one for each copy of the ledger', async () => {
    const { text, columns, rows } = await table(leaning)
    expect(Papa.parse<string[]>(text, { skipEmptyLines: true }).data).toEqual([columns, ...rows])
    const scene = workedScene(leaning, new Map())
    expect(rows).toHaveLength(new Ledger(leaning, scene.outcomes).count)
    // Lines end as the RFC has them (section 2, rule 1).
    expect(text.endsWith('\r\n')).toBe(true)
    expect(text.replaceAll('\r\n', '')).not.toContain('\n')
  })

  it('quaternions, matrices and degrees tell one turn: by gl-matrix 3.4.4, and by three’s Euler angles', async () => {
    const quaternions = await table(leaning, { turn: 'quaternion', unit: 'm' })
    const matrices = await table(leaning, { turn: 'matrix', unit: 'm' })
    const degrees = await table(leaning, { turn: 'degrees', unit: 'm' })
    expect(quaternions.rows.length).toBeGreaterThan(900)
    for (const [i, row] of quaternions.rows.entries()) {
      const read = (name: string): number => quaternions.number(row, name)
      const turn = ['qx', 'qy', 'qz', 'qw'].map(read) as unknown as Quaternion
      const move = ['x', 'y', 'z'].map(read) as [number, number, number]
      const size = ['size x', 'size y', 'size z'].map(read) as [number, number, number]
      const expected = mat4.fromRotationTranslationScale(
        new Float64Array(16) as unknown as mat4,
        turn as unknown as quat,
        move,
        size,
      )
      for (let k = 0; k < 16; k++) {
        const own = matrices.number(matrices.rows[i], `m${(k % 4) + 1}${Math.floor(k / 4) + 1}`)
        expect(own).toBeCloseTo(expected[k], 12)
      }
      const [x, y, z] = ['turn x', 'turn y', 'turn z'].map(
        (name) => (degrees.number(degrees.rows[i], name) * Math.PI) / 180,
      )
      const three = new THREE.Quaternion().setFromEuler(new THREE.Euler(x, y, z, 'XYZ'))
      const sign = three.x * turn[0] + three.y * turn[1] + three.z * turn[2] + three.w * turn[3] < 0 ? -1 : 1
      expect(Math.abs(three.w * sign - turn[3])).toBeLessThan(1e-9)
      expect(Math.abs(three.y * sign - turn[1])).toBeLessThan(1e-9)
    }
  })

  it('with z up every place and turn is the same one, turned about x by a quarter', async () => {
    const up = await table(leaning, { turn: 'matrix', unit: 'mm' })
    const z = await table(leaning, { turn: 'matrix', unit: 'mm', up: 'z' })
    const quarter = new THREE.Matrix4().makeRotationX(Math.PI / 2)
    const back = quarter.clone().invert()
    const matrix = (of: typeof up, i: number): THREE.Matrix4 =>
      new THREE.Matrix4().fromArray(
        Array.from({ length: 16 }, (_, k) => of.number(of.rows[i], `m${(k % 4) + 1}${Math.floor(k / 4) + 1}`)),
      )
    for (let i = 0; i < up.rows.length; i += 37) {
      const expected = quarter.clone().multiply(matrix(up, i)).multiply(back)
      const own = matrix(z, i)
      for (let k = 0; k < 16; k++) expect(own.elements[k]).toBeCloseTo(expected.elements[k], 6)
    }
  })

  it('names that would be worked out are told as text; units and decimals as asked, and said in the header', async () => {
    const part = { ...box('tin', 0.05), name: '=1+2, "so"' }
    const pattern = { ...aPattern(aLine({ count: 2, spacing: 0.0254, measure: 'pitch' }), ['tin']), name: '@row;1' }
    const inches = await table(aProject([part], pattern), { unit: 'in', decimal: 'comma' })
    expect(inches.of(inches.rows[0], 'part')).toBe('\'=1+2, "so"')
    expect(inches.of(inches.rows[0], 'pattern')).toBe("'@row;1")
    expect(inches.columns).toContain('x [in, y up]')
    expect(inches.number(inches.rows[1], 'x') - inches.number(inches.rows[0], 'x')).toBeCloseTo(1, 12)
    const halves = await table(
      aProject([part], { ...pattern, layout: aLine({ count: 2, spacing: 0.0005, measure: 'pitch' }) }),
      {
        unit: 'mm',
        decimal: 'comma',
      },
    )
    expect(halves.text).toMatch(/;25,5\d*;/)
  })
})
