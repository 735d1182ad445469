import fc from 'fast-check'
import spectrum from 'csv-spectrum'
import { promisify } from 'node:util'
import { describe, expect, it } from 'vitest'
import { rotate } from '../geometry/rotation'
import { type TableWish, guessedColumns, placesOf, readTable } from './spotTable'

const read = (text: string, change: Partial<TableWish> = {}) => {
  const table = readTable(text, 'places.csv')
  if (!table.ok) throw new Error(table.problem.says.join(''))
  const places = placesOf(table.value, { unit: 'mm', up: 'y', columns: guessedColumns(table.value), ...change })
  if (!places.ok) throw new Error(places.problem.says.join(''))
  return places.value
}

describe('tables', () => {
  it('of RFC 4180 are read as csv-spectrum says they are (npm csv-spectrum)', async () => {
    const cases = await promisify(spectrum)()
    expect(cases.length).toBeGreaterThan(8)
    for (const { name, csv, json } of cases) {
      // What it says of this one tells another telephone number than its table.
      if (name === 'location_coordinates') continue
      const table = readTable(csv.toString(), name)
      if (!table.ok) throw new Error(name)
      const { columns, rows } = table.value
      // A header is a name here: blanks about it do not count.
      const objects = rows.map((row) => Object.fromEntries(columns.map((c, i) => [c, row[i]])))
      expect(objects, name).toEqual(JSON.parse(json.toString()))
    }
  })

  it('what is written as text is read back to the bit, in any order of columns', () => {
    const n = fc.double({ min: -1e4, max: 1e4, noNaN: true }).map((v) => Math.round(v * 1e6) / 1e6 + 0)
    fc.assert(
      fc.property(fc.array(fc.tuple(n, n, n), { minLength: 1, maxLength: 20 }), (all) => {
        const text = ['z,name,x,y', ...all.map(([x, y, z], i) => `${z},"copy, ${i}",${x},${y}`)].join('\r\n')
        const { places, skipped } = read(text, { unit: 'm' })
        expect(skipped).toEqual([])
        expect(places.map((p) => [p.move, p.name])).toEqual(all.map((at, i) => [at, `copy, ${i}`]))
      }),
    )
  })
})

describe('places', () => {
  it('lengths carry a unit or are in the one that was said; turns are degrees; parts and sizes come along', () => {
    const { places } = read('x;y;z;turn;size;part\n100;0;1 m;90;2;Stool\n4 in;;0;;;')
    expect(places[0].move).toEqual([0.1, 0, 1])
    expect(places[0]).toMatchObject({ size: [2, 2, 2], part: 'Stool' })
    const ahead = rotate(places[0].turn as [number, number, number, number], [0, 0, 1])
    expect(ahead[0]).toBeCloseTo(1, 12)
    expect(places[1]).toEqual({ move: [0.1016, 0, 0] })
  })
  it('where z is up, y leads to the back, and what turns about z turns about up', () => {
    const { places } = read('x,y,z,rz\n1,2,3,90', { unit: 'm', up: 'z' })
    expect(places[0].move).toEqual([1, 3, -2])
    const right = rotate(places[0].turn as [number, number, number, number], [1, 0, 0])
    // Counter-clockwise from above: what looked across looks to the back.
    expect(right[2]).toBeCloseTo(-1, 12)
  })
  it('a row that cannot be read is told with its row and column, and the others are read', () => {
    const { places, skipped } = read('x,y,z\n1,0,2\n1,zero,2\n3,0,4')
    expect(places).toHaveLength(2)
    expect(skipped).toEqual([{ row: 3, says: ['Row 3, y: “zero” is no length.'] }])
  })
  it('a header that is missing is asked for, and what is no table is refused', () => {
    const table = readTable('left,top\n1,2', 'places.csv')
    if (!table.ok) throw new Error('refused')
    const asked = placesOf(table.value, { unit: 'mm', up: 'y', columns: guessedColumns(table.value) })
    expect(asked.ok ? '' : asked.problem.says.join('')).toBe(
      'Say which column tells across and deep: the table has left, top.',
    )
    expect(readTable('{"a": 1}', 'x.json').ok).toBe(false)
    expect(readTable('', 'x.csv').ok).toBe(false)
    const { places } = read('[{"x": 1, "z": 2, "name": "A"}, {"x": 3, "z": 4}]', { unit: 'm' })
    expect(places).toEqual([{ move: [1, 0, 2], name: 'A' }, { move: [3, 0, 4] }])
  })
})
