import { nearestDistances } from '../../spacing/nearest'
import { describe, expect, it } from 'vitest'
import { distance, evaluated, placesOf, said, slotsOf } from '../../../test/placed'
import { aFill, aPattern, aProject, aVary, ball, box } from '../../../test/projects'
import type { Fill } from './schema'
import { areaOf, depthAt } from '../../scatter/area'
import { factsText } from '../../numbers/format'
import { supportIn } from '../../evaluate'
import { supportOfCopy } from '../../spacing/support'

const sugar = ball('sugar', 0.01)
const fill = (change: Partial<Fill> = {}) => evaluated(aProject([sugar], aPattern(aFill(change), ['sugar'])))

const DEGREE = Math.PI / 180
const shapes: Fill['outline'][] = [
  { kind: 'rectangle', width: 1, depth: 0.5 },
  { kind: 'ellipse', width: 1, depth: 0.6 },
  {
    kind: 'polygon',
    points: [
      [0, 0],
      [1, 0],
      [1, 1],
      [0.6, 0.3],
      [0, 1],
    ],
  },
]

describe('a fill', () => {
  it.each(
    shapes.flatMap((outline) =>
      (['random', 'even', 'sunflower'] as const).map((how) => [outline.kind, how, outline] as const),
    ),
  )('stays inside a %s with its margin, %s', (_, how, outline) => {
    const { table } = fill({ outline, how, margin: 0.03, count: 150 })
    const area = areaOf(outline)
    expect(table.count).toBeGreaterThan(40)
    for (const [x, , z] of placesOf(table)) expect(depthAt(area, x, z)).toBeGreaterThanOrEqual(0.03)
  })

  it.each(['random', 'even'] as const)('F4, J11: growing the count keeps those already placed, %s', (how) => {
    const [few, many] = [fill({ how, count: 80 }).table, fill({ how, count: 140 }).table]
    expect(placesOf(many).slice(0, 80)).toEqual(placesOf(few))
    expect(slotsOf(many).slice(0, 80)).toEqual(slotsOf(few))
    expect(new Set(slotsOf(many)).size).toBe(140)
  })

  it('keeps what still lies inside when the outline grows', () => {
    const at = (width: number) => fill({ outline: { kind: 'rectangle', width, depth: 1 }, count: 100 }).table
    // The box around the outline is the same, so the darts are.
    const polygon = (x: number) =>
      fill({
        outline: {
          kind: 'polygon',
          points: [
            [0, 0],
            [1, 0],
            [1, 1],
            [x, 1],
            [0, 0.5],
          ],
        },
        count: 60,
      }).table
    const [small, large] = [polygon(0.6), polygon(0.4)]
    const kept = new Set(slotsOf(large))
    expect(slotsOf(small).filter((slot) => kept.has(slot)).length).toBeGreaterThan(50)
    expect(at(1).count).toBe(100)
  })

  it('F9: no pair is nearer than the least distance, and a full area says so', () => {
    const { table, facts } = fill({ how: 'even', least: 0.1, count: 500 })
    const places = placesOf(table)
    for (let i = 0; i < places.length; i++)
      for (let j = 0; j < i; j++) expect(distance(places[i], places[j])).toBeGreaterThanOrEqual(0.1)
    // Random placing jams at 0.547 of the area that the discs may cover, here 1.1 m by 1.1 m.
    expect(table.count).toBeLessThan((0.5471 * 1.21) / (Math.PI * 0.05 ** 2))
    expect(table.count).toBeGreaterThan((0.51 * 1) / (Math.PI * 0.05 ** 2))
    expect(said(facts)).toContain(`no room for ${500 - table.count} more`)
  })

  it('keeps whole copies inside, turned and sized as they stand, and by pivots where that is asked', () => {
    const tin = box('tin', 0.1)
    const outline = { kind: 'ellipse', width: 1.4, depth: 1 } as const
    const steps = [aVary('size', 0.5, 2), aVary('turnUp', -3, 3)]
    for (const how of ['random', 'even', 'sunflower'] as const)
      for (const edge of [undefined, 'pivots'] as const) {
        const area = { ...aFill({ outline, how, count: 60, margin: 0.0113, least: 0.03 }), edge }
        const doc = aProject([tin], aPattern(area, ['tin'], { steps }))
        const { table } = evaluated(doc)
        expect(table.count).toBeGreaterThan(20)
        const supportOf = supportIn(doc, new Map(), [])
        let nearest = Infinity
        for (let k = 0; k < table.count; k++)
          for (let i = 0; i < 360; i++) {
            const way: [number, number, number] = [Math.cos(i * DEGREE), 0, Math.sin(i * DEGREE)]
            // The support of an ellipse, and of a copy about its pivot.
            const reach = Math.hypot(0.7 * way[0], 0.5 * way[2])
            const at = table.position[3 * k] * way[0] + table.position[3 * k + 2] * way[2]
            nearest = Math.min(nearest, reach - at - supportOfCopy(table, k, supportOf(0), way).high)
          }
        if (edge) expect(nearest).toBeLessThan(0)
        else expect(nearest).toBeGreaterThanOrEqual(0.0113 - 1e-4)
      }
  })

  it('counts by density, and says it by the area that goes with the unit', () => {
    const { table, facts, working } = fill({
      by: 'density',
      density: 130,
      outline: { kind: 'rectangle', width: 2, depth: 0.5 },
    })
    expect(table.count).toBe(130)
    expect(said(working)).toBe('1 m² × 130 /m² = 130')
    expect(said(facts)).toContain('130 copies on 1 m² · 130 /m²')
    expect(factsText(facts, 'in').replaceAll('\u202f', ' ')).toContain('130 copies on 10.764 ft² · 12.077 /ft²')
  })

  it('measures the nearest neighbour of every copy', () => {
    const { table } = fill({ count: 300 })
    // One stands far from all others.
    table.setMove(7, [90, 0, -40])
    const told = nearestDistances(table)
    const places = placesOf(table)
    const nearest = places
      .map((p, i) => Math.min(...places.map((q, j) => (i === j ? Infinity : distance(p, q)))))
      .sort((a, b) => a - b)
    expect(told.length).toBe(300)
    nearest.forEach((d, i) => expect(told[i]).toBeCloseTo(d, 12))
  })

  it('refuses what cannot be filled', () => {
    expect(said(fill({ margin: 0.6 }).problem!.says)).toContain('No copy fits inside the outline')
    expect(
      said(
        fill({
          outline: {
            kind: 'polygon',
            points: [
              [0, 0],
              [1, 0],
              [2, 0],
            ],
          },
        }).problem!.says,
      ),
    ).toContain('encloses no area')
    expect(said(fill({ how: 'even', least: 0 }).problem!.says)).toContain('The least distance is more than 0')
    expect(said(fill({ by: 'density', density: 1e9 }).problem!.says)).toContain('A pattern can place up to 1 000 000')
  })
})
