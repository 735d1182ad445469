import fc from 'fast-check'
import * as THREE from 'three'
import { describe, expect, it } from 'vitest'
import { evaluated, placesOf, said, slotsOf } from '../../test/placed'
import { aCompanion, aGrid, aLine, aPattern, aProject, aRing, ball, box } from '../../test/projects'
import { Evaluator } from '../evaluate'
import type { Pattern } from '../model/pattern'
import { readProject } from '../model/project'
import { composeSlots } from '../slots'

const tin = box('tin', 0.1)
const named = (
  id: string,
  layout: Parameters<typeof aPattern>[0],
  parts: string[],
  change: Partial<Pattern> = {},
): Pattern => aPattern(layout, parts, { id, name: id, ...change })
const three = aLine({ hold: ['count', 'spacing'], count: 3, measure: 'pitch', spacing: 1 })

describe('patterns of patterns', () => {
  it('B11: a row of rings counts the product, and its gap is measured between whole rings', () => {
    const wheel = named('wheel', aRing({ count: 8, radius: 0.5, facing: 'unchanged' }), ['ball'])
    const row = named('row', { ...three, measure: 'gap', spacing: 0.1, edges: 'outsides' }, ['wheel'])
    const { table, expanded, owner, laid } = evaluated(aProject([ball('ball', 0.1)], wheel, row), 'row')
    expect([table.count, expanded.count]).toEqual([3, 24])
    expect(Array.from(owner!)).toEqual(Array.from({ length: 24 }, (_, n) => Math.floor(n / 8)))
    // Each ring is 1.1 m wide outside, so they stand 1.2 m apart.
    expect(laid?.kind === 'line' && laid.run).toBeCloseTo(3 * 1.1 + 2 * 0.1, 12)
    expect(placesOf(table)[1][0] - placesOf(table)[0][0]).toBeCloseTo(1.2, 12)
    expect(new Set(slotsOf(expanded)).size).toBe(24)
  })

  it('composing equals multiplying the placements', () => {
    const turn = fc.double({ min: -3, max: 3, noNaN: true })
    const size = fc.double({ min: 0.2, max: 3, noNaN: true })
    fc.assert(
      fc.property(
        fc.tuple(turn, turn, turn),
        fc.tuple(turn, turn, turn),
        size,
        fc.tuple(size, size, size),
        (a, b, outerSize, innerSize) => {
          const inner = named('inner', three, ['tin'], {
            touchUps: { '1': { turn: b, size: innerSize, move: [0.1, 0.2, 0.3] } },
          })
          const outer = named('outer', three, ['inner'], {
            touchUps: { '2': { turn: a, size: [outerSize, outerSize, outerSize] } },
          })
          const [small, large] = new Evaluator().evaluate(aProject([tin], inner, outer), new Map())
          const matrix = (table: typeof small.table, k: number) =>
            new THREE.Matrix4().compose(
              new THREE.Vector3().fromArray(table.position, 3 * k),
              new THREE.Quaternion().fromArray(table.quaternion, 4 * k),
              new THREE.Vector3().fromArray(table.scale, 3 * k),
            )
          const product = matrix(large.table, 2).multiply(matrix(small.table, 1))
          const made = matrix(large.expanded, 2 * 3 + 1)
          product.elements.forEach((n, i) => expect(made.elements[i]).toBeCloseTo(n, 12))
        },
      ),
    )
  })

  it('goes to any depth, with slots that do not collide', () => {
    const patterns = [named('p0', three, ['tin'])]
    for (let d = 1; d < 5; d++)
      patterns.push(
        named(
          `p${d}`,
          aGrid({ across: { ...three, edges: 'centres', spacing: 1 }, deep: { ...three, edges: 'centres', count: 2 } }),
          [`p${d - 1}`],
        ),
      )
    const { expanded } = evaluated(aProject([tin], ...patterns), 'p4')
    expect(expanded.count).toBe(3 * 6 ** 4)
    expect(new Set(slotsOf(expanded)).size).toBe(expanded.count)
  })

  it('gives exact slots to two levels and marked ones below', () => {
    fc.assert(
      fc.property(fc.nat(2 ** 30), fc.nat(2 ** 31 - 1), (outer, inner) => {
        expect(composeSlots(outer, 0, inner, 0)).toEqual([inner, outer + 1])
        expect(composeSlots(outer, 0, inner, 5)[1]).toBeGreaterThanOrEqual(0x80000000)
      }),
    )
  })

  it('refuses a cycle with a sentence that names it', () => {
    const [a, b] = [named('Row of rings', three, ['Ring of rows']), named('Ring of rows', three, ['Row of rings'])].map(
      (p, i) => ({ ...p, id: ['a', 'b'][i], deal: { ...p.deal, parts: [['b', 'a'][i]] } }),
    )
    const outcomes = new Evaluator().evaluate(aProject([tin], a, b), new Map())
    expect(said(outcomes[0].problem!.says)).toBe(
      'Row of rings → Ring of rows → Row of rings: a pattern cannot contain itself. Deal something else in one of them.',
    )
    expect(outcomes[1].problem).toEqual(outcomes[0].problem)
    // The same, however they are listed.
    const other = new Evaluator().evaluate(aProject([tin], b, a), new Map())
    expect(other.toReversed().map(({ problem }) => problem)).toEqual(outcomes.map(({ problem }) => problem))
    const alone = { ...a, deal: { ...a.deal, parts: ['a'] } }
    expect(said(evaluated(aProject([tin], alone)).problem!.says)).toContain('Row of rings → Row of rings')
  })

  it('refuses what would need a shear, and allows quarter turns', () => {
    const inner = (turn: number) => named('inner', three, ['tin'], { touchUps: { '1': { turn: [0, turn, 0] } } })
    const outer = named('outer', three, ['inner'], { touchUps: { '0': { size: [2, 1, 1] } } })
    expect(said(evaluated(aProject([tin], inner(0.3), outer), 'outer').problem!.says)).toContain(
      'they would be sheared',
    )
    const { expanded, problem } = evaluated(aProject([tin], inner(Math.PI / 2), outer), 'outer')
    expect(problem).toBeUndefined()
    expect(Array.from(expanded.scale.subarray(3, 6))).toEqual([1, 1, 2])
  })

  it('is read and checked whole', () => {
    const project = aProject([tin], named('inner', three, ['tin']), named('outer', three, ['inner']))
    expect(readProject(JSON.parse(JSON.stringify(project))).ok).toBe(true)
    expect(readProject({ ...project, patterns: [project.patterns[1]] }).ok).toBe(false)
  })
})

describe('companions', () => {
  const host = named('lanterns', aRing({ count: 6, radius: 1 }), ['tin'], {
    place: { move: [0, 2, 0], turn: [0, 0.4, 0] },
    touchUps: { '1': { empty: true }, '2': { size: [1, 2, 1] } },
  })
  const bulbs = (change = {}) =>
    evaluated(
      aProject([tin, ball('bulb', 0.04)], host, named('bulbs', aCompanion('lanterns', change), ['bulb'])),
      'bulbs',
    ).table

  it('A16: stand tied to the top of every host that is there, and follow its size', () => {
    const places = placesOf(bulbs())
    expect(places).toHaveLength(5)
    // A tin is 0.15 m tall; the third host is twice as tall.
    places.forEach(([x, y, z], n) => {
      expect(y).toBeCloseTo(n === 1 ? 2.3 : 2.15, 12)
      expect(Math.hypot(x, z)).toBeCloseTo(1, 12)
    })
    expect(placesOf(bulbs({ at: 'centre' }))[0][1]).toBeCloseTo(2.075, 12)
    expect(placesOf(bulbs({ at: 'base', offset: [0, -0.04, 0] }))[0][1]).toBeCloseTo(1.96, 12)
  })

  it('offsets in the host copy’s own axes or in the world’s', () => {
    // Hosts face outward, so an offset in front of them lies farther out.
    for (const [x, , z] of placesOf(bulbs({ offset: [0, 0, 0.5] }))) expect(Math.hypot(x, z)).toBeCloseTo(1.5, 12)
    const shifted = placesOf(bulbs({ offset: [0, 0, 0.5], axes: 'world' }))
    placesOf(bulbs()).forEach(([x, y, z], n) =>
      shifted[n].forEach((v, i) => expect(v).toBeCloseTo([x, y, z + 0.5][i], 12)),
    )
  })

  it('keeps its host’s slot, and goes with every n-th', () => {
    expect(slotsOf(bulbs())).toEqual(['0:0', '0:2', '0:3', '0:4', '0:5'])
    expect(slotsOf(bulbs({ every: 2 }))).toEqual(['0:0', '0:3', '0:5'])
  })

  it('is tied to a named point, and says which hosts have none', () => {
    const hooked = { ...tin, points: [{ name: 'hook', at: [0.02, 0.1, 0] as [number, number, number] }] }
    const mixed = { ...host, touchUps: {}, deal: { kind: 'inTurn' as const, parts: ['tin', 'ball'] } }
    const { table, facts } = evaluated(
      aProject(
        [hooked, ball('ball', 0.1), ball('bulb', 0.04)],
        mixed,
        named('bulbs', aCompanion('lanterns', { at: 'point', point: 'hook' }), ['bulb']),
      ),
      'bulbs',
    )
    expect(placesOf(table).map(([, y]) => Math.round(y * 1e9) / 1e9)).toEqual([2.1, 2, 2.1, 2, 2.1, 2])
    expect(said(facts)).toContain('3 of these hosts have no point “hook”')
  })

  it('rises when the host is swapped for a taller part', () => {
    const taller = { ...host, touchUps: {}, deal: { kind: 'inTurn' as const, parts: ['mast'] } }
    const mast = { ...box('mast', 0.1), shape: { kind: 'box' as const, width: 0.1, height: 0.9, depth: 0.1 } }
    const { table } = evaluated(
      aProject([mast, ball('bulb', 0.04)], taller, named('bulbs', aCompanion('lanterns'), ['bulb'])),
      'bulbs',
    )
    expect(placesOf(table)[0][1]).toBeCloseTo(2.9, 12)
  })

  it('refuses to accompany itself', () => {
    expect(said(evaluated(aProject([tin], named('self', aCompanion('self'), ['tin']))).problem!.says)).toContain(
      'self → self',
    )
  })
})
