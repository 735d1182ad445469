import fc from 'fast-check'
import { produce } from 'immer'
import { describe, expect, it } from 'vitest'
import { arm } from '../../test/handed'
import { aGrid, aLine, aMirror, aPattern, aPlane, aProject, aVary, ball, box } from '../../test/projects'
import { Evaluator } from '../evaluate'
import { ownColorOf } from '../evaluation/outcome'
import { type InstanceTable, slotKeyOf } from '../instances'
import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'
import { makeSeveral, originalsOf, severalDefaults } from '../placing/several'
import { boundsOfPart } from '../parts/support'
import { backToPattern, makeSeparate, separateLoses } from './separate'
import {
  type SwapOptions,
  inLookOf,
  renameSwapped,
  swapCopies,
  swapDefaults,
  swapEverywhere,
  swapInPattern,
  swapTouches,
} from './swap'
import { relinkCopies, unlink } from './unlink'

const tall = box('tall', 0.1)
const wide = { ...box('wide', 0.3), shape: { kind: 'box' as const, width: 0.3, height: 0.05, depth: 0.2 } }
const parts = [tall, wide, ball('ball', 0.1)]
const worked = (project: Project): ReadonlyMap<string, InstanceTable> =>
  new Map(new Evaluator().evaluate(project, new Map()).map((o) => [o.id, o.table.snapshot()]))
const boxOf = (id: string) =>
  boundsOfPart(
    parts.find((p) => p.id === id)!,
    { parts, meshes: new Map() },
  )
const idOf = (thing: number): string => parts[thing].id
/** Place, turn and size of every copy as plain rows, with its part. */
const rows = (project: Project, id = 'shelf') => {
  const table = worked(project).get(id)!
  return Array.from({ length: table.count }, (_, k) => ({
    key: slotKeyOf(table.slotLow[k], table.slotHigh[k]),
    part: table.thing[k],
    at: [...table.position.subarray(3 * k, 3 * k + 3)],
    turn: [...table.quaternion.subarray(4 * k, 4 * k + 4)],
    size: [...table.scale.subarray(3 * k, 3 * k + 3)],
  }))
}
const close = (a: readonly number[], b: readonly number[]): void => a.forEach((n, i) => expect(n).toBeCloseTo(b[i], 10))
const grid = (change: Partial<Pattern> = {}): Project => aProject(parts, aPattern(aGrid(), ['tall'], change))
const edit = (project: Project, change: (p: Project) => void): Project => produce(project, change)
const secondRow = (project: Project): string[] =>
  rows(project)
    .slice(7, 14)
    .map((r) => r.key)

const touched = (keys: readonly string[]): Pattern['touchUps'] => ({
  [keys[2]]: { move: [0.01, 0.02, -0.03], turn: [0.3, 0.5, -0.2], size: [1.2, 0.8, 1.5] },
})

describe('unlink', () => {
  it('gives chosen copies a part of their own and moves nothing, touched up or not', () => {
    const before = grid({ touchUps: touched(secondRow(grid())) })
    const keys = secondRow(before)
    const after = edit(before, (p) => void unlink(p, worked(before), new Map([['shelf', keys]]), () => 'own'))
    expect(after.parts.map((p) => p.name)).toEqual(['tall', 'wide', 'ball', 'tall 2'])
    const [was, now] = [rows(before), rows(after)]
    for (const [k, row] of now.entries()) {
      close(row.at, was[k].at)
      close(row.turn, was[k].turn)
      close(row.size, was[k].size)
      expect(row.part).toBe(keys.includes(row.key) ? 3 : 0)
    }
  })

  it('later edits of the part no longer reach them', () => {
    const before = grid()
    const after = edit(before, (p) => {
      unlink(p, worked(before), new Map([['shelf', secondRow(before)]]), () => 'own')
      p.parts[0].shape = { kind: 'box', width: 9, height: 9, depth: 9 }
    })
    expect(after.parts[3].shape).toEqual(tall.shape)
  })

  it('takes the deal over where all copies of a part are chosen, so that the pattern stays without touch-ups', () => {
    const before = grid()
    const all = rows(before).map((r) => r.key)
    const after = edit(before, (p) => void unlink(p, worked(before), new Map([['shelf', all]]), () => 'own'))
    expect(after.patterns[0].deal.parts).toEqual(['own'])
    expect(after.patterns[0].touchUps).toEqual({})
  })
})

describe('swap', () => {
  const swapRow = (project: Project, options: SwapOptions): Project =>
    edit(project, (p) =>
      swapCopies(p.patterns[0], worked(project).get('shelf')!, secondRow(project), 'wide', options, idOf, boxOf),
    )

  it('M1, C2: the second row of a grid; the grid stays one and its spacing still moves them', () => {
    const after = swapRow(grid(), swapDefaults)
    expect(rows(after).map((r) => r.part)).toEqual([...Array(7).fill(0), ...Array(7).fill(1), ...Array(21).fill(0)])
    rows(after).forEach((r, k) => close(r.at, rows(grid())[k].at))
    const wider = edit(after, (p) => {
      const { layout } = p.patterns[0]
      if (layout.kind === 'grid') layout.across.spacing = 0.2
    })
    expect(rows(wider)[8].at[0]).toBeCloseTo(0.2, 12)
    expect(rows(wider)[8].part).toBe(1)
  })

  it.each([
    ['pivot', 'part', [0, 0, 0], [1, 1, 1]],
    ['base', 'stretch', [0, 0, 0], [1 / 3, 3, 0.595]],
    ['base', 'fit', [0, 0, 0], [1 / 3, 1 / 3, 1 / 3]],
    // The middle of the tall box is at 75 mm, that of the flat one at 25 mm.
    ['centre', 'part', [0, 0.05, 0], [1, 1, 1]],
    ['centre', 'fit', [0, 0.075 - 0.025 / 3, 0], [1 / 3, 1 / 3, 1 / 3]],
  ] as const)('keeps its %s with %s size', (keep, size, move, factors) => {
    const after = rows(swapRow(grid(), { keep, size }))
    close(after[7].size, factors)
    close(
      after[7].at.map((n, k) => n - rows(grid())[7].at[k]),
      move,
    )
  })

  it('and back is exact, whatever is kept and however copies had been touched up', () => {
    const options = fc.record({
      keep: fc.constantFrom('pivot' as const, 'centre' as const, 'base' as const),
      size: fc.constantFrom('part' as const, 'fit' as const, 'stretch' as const),
    })
    fc.assert(
      fc.property(options, (o) => {
        const before = grid({ touchUps: touched(secondRow(grid())) })
        const there = swapRow(before, o)
        const back = edit(there, (p) =>
          swapCopies(p.patterns[0], worked(there).get('shelf')!, secondRow(there), 'tall', o, idOf, boxOf),
        )
        // "Fit" loses the room that it left free; every other way returns to the same place and size.
        fc.pre(o.size !== 'fit')
        rows(back).forEach((r, k) => {
          expect(r.part).toBe(0)
          close(r.at, rows(before)[k].at)
          close(r.size, rows(before)[k].size)
          close(r.turn, rows(before)[k].turn)
        })
      }),
      { numRuns: 20 },
    )
  })

  it('M9, M3: a whole pattern and everywhere; the part that is used stays, and so does a touch-up', () => {
    const keys = secondRow(grid())
    const before = aProject(
      parts,
      aPattern(aGrid(), ['tall'], { touchUps: { [keys[0]]: { size: [2, 2, 2] } } }),
      aPattern(aLine({ measure: 'pitch', spacing: 0.2 }), ['tall', 'ball'], { id: 'line', name: 'Line' }),
    )
    expect(swapTouches(before, worked(before), 'tall')).toEqual([
      { pattern: 'Shelf tins', copies: 35 },
      { pattern: 'Line', copies: 3 },
    ])
    const one = edit(before, (p) =>
      swapInPattern(p.patterns[0], 'tall', 'wide', { keep: 'centre', size: 'part' }, boxOf),
    )
    expect(one.patterns[0].deal.parts).toEqual(['wide'])
    expect(one.patterns[0].fits).toEqual({ wide: { move: [0, expect.closeTo(0.05, 12), 0] } })
    // The touched-up copy is twice as large, and so is the move that keeps its middle.
    expect(rows(one)[7].at[1]).toBeCloseTo(0.1, 12)
    expect(rows(one)[8].at[1]).toBeCloseTo(0.05, 12)
    const all = edit(before, (p) => swapEverywhere(p, 'tall', 'wide', swapDefaults, boxOf))
    expect(all.patterns.map((p) => p.deal.parts)).toEqual([['wide'], ['wide', 'ball']])
    expect(all.parts).toHaveLength(3)
  })

  it('M2: carries the whole look, or only whether it is faceted', () => {
    const faceted = { ...tall, look: { ...tall.look, color: '#aa0000', faceted: true as const } }
    expect(inLookOf(wide, faceted, 'look', 'own', 'Own')).toEqual({
      ...wide,
      id: 'own',
      name: 'Own',
      look: faceted.look,
    })
    expect(inLookOf(wide, faceted, 'shading', 'own', 'Own').look).toEqual({ ...wide.look, faceted: true })
    expect(inLookOf(faceted, wide, 'shading', 'own', 'Own').look).toEqual({ ...tall.look, color: '#aa0000' })
  })

  it('N7: copies with names of their own are called by their part again only where they were swapped', () => {
    const spots = [0, 1].map((slot) => ({
      slot,
      move: [slot, 0, 0] as [number, number, number],
      part: 'tall',
      name: `Post ${slot}`,
    }))
    const pattern = aPattern({ kind: 'spots', spots }, ['tall'])
    renameSwapped(pattern, (key) => key === '1')
    expect(pattern.layout).toMatchObject({ spots: [{ name: 'Post 0' }, {}] })
    expect(pattern.layout.kind === 'spots' && pattern.layout.spots[1].name).toBeUndefined()
  })

  it('relinking places the copies so that the shapes coincide', () => {
    const before = grid()
    const keys = secondRow(before)
    const after = edit(before, (p) =>
      relinkCopies(p.patterns[0], worked(before).get('shelf')!, keys, 'tall', 'ball', {
        move: [0.1, 0, 0],
        turn: [0, Math.SQRT1_2, 0, Math.SQRT1_2],
        size: [2, 2, 2],
      }),
    )
    close(rows(after)[7].at, [0.1, 0, rows(before)[7].at[2]])
    close(rows(after)[7].size, [2, 2, 2])
    close(rows(after)[7].turn, [0, Math.SQRT1_2, 0, Math.SQRT1_2])
  })
})

describe('separate copies', () => {
  const names = (thing: number): string => parts[thing].name
  it('stand where they stood, say what is lost, and become the pattern again', () => {
    const before = grid({
      touchUps: touched(secondRow(grid())),
      steps: [{ kind: 'thin', id: 'thin', every: 2, from: 1 }],
    })
    const keys = rows(before).map((r) => r.key)
    const withSet = edit(
      before,
      (p) => void p.sets.push({ id: 'set', name: 'Some', copies: { shelf: keys.slice(3, 5) } }),
    )
    const table = worked(withSet).get('shelf')!
    const lost = separateLoses(withSet.patterns[0], table, () => true)
    expect(lost.ok && lost.value).toHaveLength(3)
    const after = edit(withSet, (p) => makeSeparate(p, p.patterns[0], { table, frames: [] }, idOf, names, idOf))
    expect(after.patterns[0].layout.kind).toBe('spots')
    rows(after).forEach((r, k) => {
      close(r.at, rows(withSet)[k].at)
      close(r.turn, rows(withSet)[k].turn)
      close(r.size, rows(withSet)[k].size)
    })
    expect(after.sets[0].copies['shelf']).toEqual(['3', '4'])
    const back = edit(after, (p) => backToPattern(p.patterns[0]))
    expect(back.patterns).toEqual(withSet.patterns)
  })

  it('what steps and hands coloured keeps its colour, also where there is another of it', () => {
    const shades = { from: '#ff0000', to: '#0000ff', shades: 5 }
    const line = aPattern(aLine({ hold: ['count', 'spacing'], count: 4 }), ['arm'], {
      steps: [{ ...aVary('color', 0, 1), colors: shades }],
      touchUps: { '1': { color: '#12ab34' } },
    })
    const before = aProject([arm()], line)
    const colors = (project: Project, at = 0): (string | undefined)[] => {
      const outcome = new Evaluator().evaluate(project, new Map())[at]
      return Array.from({ length: outcome.table.count }, (_, row) => ownColorOf(outcome, row))
    }
    const was = colors(before)
    expect(was[1]).toBe('#12ab34')
    expect(new Set(was).size).toBeGreaterThan(2)
    const outcomes = new Evaluator().evaluate(before, new Map())
    const after = edit(before, (p) =>
      makeSeparate(
        p,
        p.patterns[0],
        outcomes[0],
        () => 'arm',
        () => 'Arm',
        () => 'arm',
      ),
    )
    expect(colors(after)).toEqual(was)
    const worked = { project: before, outcomes, supportOf: () => () => ({ low: 0, high: 0 }) }
    const originals = originalsOf(worked, [{ is: 'copy', pattern: 'shelf', slot: '1' }])
    const making = { idOf: (_: string, n: number) => `new-${n}`, thingOf: () => 'arm', twinOf: () => 'arm' }
    const more = edit(before, (p) => makeSeveral(p, originals, { ...severalDefaults, count: 2 }, making))
    expect(colors(more, 1)).toEqual(['#12ab34', '#12ab34'])
  })

  it('images in the other hand become copies of the twin, where they stood', () => {
    const mirror = aPattern(aMirror('shelf', aPlane('deep', { offset: -1 })), [], { id: 'mirror', name: 'Mirror' })
    const line = aPattern(aLine({ hold: ['count', 'spacing'], count: 2 }), ['arm'])
    const before = aProject([arm()], line, mirror)
    const table = worked(before).get('mirror')!
    const made: string[] = []
    const after = edit(before, (p) =>
      makeSeparate(
        p,
        p.patterns[1],
        { table, frames: [] },
        () => 'arm',
        () => 'Arm',
        () => (made.push('twin'), 'twin'),
      ),
    )
    expect(made).toEqual(['twin', 'twin'])
    const { layout, deal } = after.patterns[1]
    expect(layout.kind === 'spots' && layout.spots.map((s) => [s.part, s.move[2]])).toEqual([
      ['twin', -2],
      ['twin', -2],
    ])
    expect(deal.parts).toEqual(['twin'])
    expect(edit(after, (p) => backToPattern(p.patterns[1])).patterns).toEqual(before.patterns)
    // Mirror images of whole patterns have no part to stand for them.
    const refused = separateLoses(before.patterns[1], table, () => false)
    expect(refused.ok).toBe(false)
  })
})
