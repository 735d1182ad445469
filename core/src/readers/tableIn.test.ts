import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { aGrid, aLine, aPattern, aProject, aRing, aVary, ball, box, pitched } from '../../test/projects'
import { Evaluator } from '../evaluate'
import type { Project } from '../model/project'
import { placedExactly, putPlaced } from '../placing/exactly'
import type { WriterOptions } from '../writers/definition'
import { writers } from '../writers/registry'
import { workedScene } from '../writers/scene'
import { readTable } from './spotTable'
import { type TableIn, tableIn } from './tableIn'

/** A turned shelf, a ring of copies in several sizes and turns, and a name that a spreadsheet would work out. */
const everything = (): Project =>
  aProject(
    [box('tin', 0.1), ball('ball', 0.05)],
    aPattern(aLine({ hold: ['spacing', 'count'] }), ['tin'], {
      place: { move: [0.31, 0.2, -0.4], turn: [0.3, 0.7, -0.2] },
      touchUps: { '2': { empty: true } },
    }),
    aPattern(aRing(), ['ball', 'tin'], {
      id: 'ring',
      name: '=Ring',
      steps: [aVary('size', 0.5, 1.5), aVary('turnAny', 0, 1)],
    }),
    aPattern(aGrid({ across: pitched(3, 0.2), deep: pitched(2, 0.2) }), ['tin'], { id: 'grid', name: 'Grid, small' }),
  )

async function out(project: Project, ending: 'csv' | 'json', options: WriterOptions): Promise<string> {
  const made = await writers[ending].write(workedScene(project, new Map()), { ...writers[ending].usual(1), ...options })
  if (!made.ok) throw new Error('not written')
  return new TextDecoder().decode(made.value.bytes)
}
function back(project: Project, text: string): TableIn {
  const table = readTable(text, 'table')
  const made = table.ok && tableIn(table.value, project, new Evaluator().evaluate(project, new Map()), project.unit)
  if (!made || !made.ok) throw new Error(JSON.stringify([table, made]))
  return made.value
}

describe('a table of copies that is read in again', () => {
  it('changes nothing where nothing was changed, in whatever form it went out', async () => {
    const project = everything()
    for (const ending of ['csv', 'json'] as const)
      for (const turn of ['degrees', 'quaternion', 'matrix'])
        for (const up of ['y', 'z'])
          for (const unit of ['mm', 'in'])
            for (const decimal of ['point', 'comma']) {
              const told = back(project, await out(project, ending, { turn, up, unit, decimal }))
              expect([ending, turn, up, unit, decimal, told.targets, told.skipped]).toEqual([
                ending,
                turn,
                up,
                unit,
                decimal,
                [],
                [],
              ])
              expect(told.alike).toBe(4 + 16 + 6)
            }
  })

  it('puts exactly those elsewhere that it says otherwise: found by pattern and number, in its unit and axes', async () => {
    const project = everything()
    const text = await out(project, 'csv', { up: 'z', unit: 'cm' })
    const lines = text.split('\r\n')
    const at = lines.findIndex((line) => line.startsWith('"Grid, small",,4,'))
    const cells = lines[at].split(',')
    // Its name has a comma of its own: pattern, group, number, part, x, y, z …
    const [x, y, z] = [5, 6, 7]
    cells[x] = '12.5'
    cells[z] = String(Number(cells[z]) + 3)
    const told = back(project, lines.with(at, cells.join(',')).join('\r\n'))
    expect(told).toMatchObject({ moved: 1, turned: 0, sized: 0, alike: 25, skipped: [] })
    const [{ of, from, to }] = told.targets
    expect(of).toMatchObject({ pattern: 'grid', slot: expect.any(String) })
    expect(to.move[0]).toBeCloseTo(0.125, 12)
    expect(to.move[1]).toBeCloseTo(from.move[1] + 0.03, 12)
    expect(to.move[2]).toBeCloseTo(-Number(cells[y]) / 100, 12)
    const evaluate = (other: Project) => new Evaluator().evaluate(other, new Map())
    const placed = placedExactly(project, told.targets, evaluate)
    if (!placed.ok) throw new Error('not placed')
    const now = structuredClone(project)
    putPlaced(now, placed.value)
    expect(back(now, lines.with(at, cells.join(',')).join('\r\n'))).toMatchObject({ targets: [], alike: 26 })
  })

  it('tells lines that cannot be taken, by their numbers, and takes the others', () => {
    const project = aProject([box('tin', 0.1)], aPattern(aLine({ hold: ['spacing', 'count'] }), ['tin']))
    const told = back(
      project,
      [
        'pattern,number,"x [mm, y up]",size x',
        'Shelf tins,1,10,1',
        'shelf tins,2,wide,1',
        'Shelf tins,77,1,1',
        'Nobody,1,1,1',
        'Shelf tins,3,5,0',
        'Shelf tins,1,12,1',
        'Shelf tins,4,,',
      ].join('\n'),
    )
    expect(told.skipped.map(({ row }) => row)).toEqual([3, 4, 5, 6, 7])
    expect(JSON.stringify(told.skipped)).toMatch(/no number.*no copy 77.*“Nobody”.*more than 0.*a line before/)
    expect(told.targets).toHaveLength(1)
    expect(told.alike).toBe(1)
    const table = readTable('x,y\n1,2', 'table')
    expect(table.ok && tableIn(table.value, project, [], 'mm')).toMatchObject({ ok: false })
  })

  it('never breaks on any cells', () => {
    const project = everything()
    const outcomes = new Evaluator().evaluate(project, new Map())
    const cell = fc.oneof(fc.string(), fc.constantFrom('=Ring', '1', '1e400', '-0', 'NaN', '1,5', '0x10'))
    const heads = ['pattern', 'number', 'x [cm, z up]', 'qx', 'qy', 'qz', 'qw', 'size x']
    fc.assert(
      fc.property(fc.array(fc.array(cell, { maxLength: 9 }), { maxLength: 6 }), (rows) => {
        const told = tableIn({ columns: heads, rows }, project, outcomes, 'mm')
        if (!told.ok) throw new Error('refused')
        for (const { to } of told.value.targets)
          for (const n of [...to.move, ...to.turn, ...to.size]) expect(Number.isFinite(n)).toBe(true)
        expect(told.value.targets.length + told.value.alike + told.value.skipped.length).toBe(rows.length)
      }),
    )
  })
})
