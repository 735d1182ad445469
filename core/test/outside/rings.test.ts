import { describe, expect, it } from 'vitest'
import { aRing, aPattern, aProject, ball, box } from '../projects'
import { distance, evaluated, placesOf } from '../placed'
import { GOLDEN_ANGLE, type Margin, sunflower } from '../../src/scatter/spread'
import { areaOf } from '../../src/scatter/area'

/** No margin. */
const NONE: Margin = { least: 0, most: 0, of: () => 0 }

const ring = (change: Parameters<typeof aRing>[0], part = ball('part', 1e-9)) =>
  evaluated(aProject([part], aPattern(aRing(change), [part.id])))

describe('rings against handbook figures', () => {
  // Machinery's Handbook, "Lengths of chords for spacing off the circumferences of circles", D = 1 (value from memory;
  // each is sin(180° ÷ n)).
  it.each([
    [3, 0.866025],
    [4, 0.707107],
    [5, 0.587785],
    [6, 0.5],
    [7, 0.433884],
    [8, 0.382683],
    [9, 0.34202],
    [10, 0.309017],
    [11, 0.281733],
    [12, 0.258819],
    [16, 0.19509],
    [24, 0.130526],
    [32, 0.098017],
  ])('C1: the chord for %i on a circle of diameter 1 is %f', (count, chord) => {
    const places = placesOf(ring({ count, radius: 0.5 }).table)
    places.forEach((p, k) => expect(Math.abs(distance(p, places[(k + 1) % count]) - chord)).toBeLessThan(5e-7))
  })

  it('C2: bolt circles by the handbook’s hole coordinates', () => {
    // Machinery's Handbook, hole coordinate factors (value from memory): D = 10, six holes, the first at the top, clockwise.
    const six = placesOf(ring({ count: 6, radius: 5, axis: 'deep', start: Math.PI / 2, sense: -1 }).table)
    const holes = [
      [0, 5],
      [4.33013, 2.5],
      [4.33013, -2.5],
      [0, -5],
      [-4.33013, -2.5],
      [-4.33013, 2.5],
    ]
    six.forEach(([x, y], k) => {
      expect(Math.abs(x - holes[k][0])).toBeLessThan(5e-6)
      expect(Math.abs(y - holes[k][1])).toBeLessThan(5e-6)
    })
    const five = placesOf(ring({ count: 5, radius: 0.5, axis: 'deep', start: Math.PI / 2 }).table).map(([x, y]) => [
      Math.abs(x),
      y,
    ])
    for (const [x, y] of [
      [0.47553, 0.15451],
      [0.29389, -0.40451],
    ]) {
      expect(five.filter((p) => Math.abs(p[0] - x) < 5e-6 && Math.abs(p[1] - y) < 5e-6)).toHaveLength(2)
    }
  })

  it('C3: 31 discs of 10 fit touching round a circle of 100', () => {
    // floor(π ÷ asin(d ÷ D)), elementary; twelve touch at D ÷ d = 3.8637033.
    const disc = ball('disc', 0.01)
    const { table, laid } = ring({ hold: ['spacing', 'radius'], spacing: 0, measure: 'gap', radius: 0.05 }, disc)
    expect(table.count).toBe(31)
    expect(laid?.kind === 'ring' && laid.chord * 1000).toBeCloseTo(10.116832, 6)
    const twelve = ring({ hold: ['count', 'spacing'], count: 12, spacing: 0, measure: 'gap' }, disc).laid
    expect(twelve?.kind === 'ring' && (2 * twelve.radius) / 0.01).toBeCloseTo(3.8637033, 7)
  })

  it('C4: regular polygons: radius, apothem and diagonal from the side', () => {
    // Euclid IV; CRC tables (value from memory; each recomputed by the ring from its side).
    const radius = (count: number): number => {
      const { laid } = ring({ hold: ['count', 'spacing'], count, spacing: 1, measure: 'chord' })
      return laid?.kind === 'ring' ? laid.radius : NaN
    }
    expect(radius(5)).toBeCloseTo(0.8506508, 7)
    expect(radius(8)).toBeCloseTo(1.306563, 7)
    expect(radius(12)).toBeCloseTo(1.9318517, 7)
    expect(radius(6) * Math.cos(Math.PI / 6)).toBeCloseTo(0.8660254, 7)
    expect(radius(8) * Math.cos(Math.PI / 8)).toBeCloseTo(1.2071068, 7)
    const pentagon = placesOf(ring({ hold: ['count', 'spacing'], count: 5, spacing: 1, measure: 'chord' }).table)
    expect(distance(pentagon[0], pentagon[2])).toBeCloseTo(1.6180339887, 9)
  })

  it('D8: a square quarter of a set closes exactly', () => {
    const quarter = { ...box('quarter', 0.4), shape: { kind: 'box' as const, width: 0.4, height: 0.1, depth: 0.4 } }
    const { laid } = ring({ count: 4, radius: Math.hypot(0.2, 0.2), start: Math.PI / 4, facing: 'turning' }, quarter)
    expect(laid?.kind === 'ring' && Math.abs(laid.gap)).toBeLessThan(1e-12)
  })
})

describe('sunflowers', () => {
  it('C5: the golden angle', () => {
    // Vogel, Math. Biosci. 44 (1979) 179 (value from memory).
    expect(GOLDEN_ANGLE).toBeCloseTo(2.399963229728653, 13)
  })

  it('C6: a disc of 2 000 seeds gives each the same area', () => {
    // Vogel 1979; Ridley 1982 (values from memory, counted again here from r = c·√(i + ½) with c = 1).
    const disc = areaOf({ kind: 'ellipse', width: 2 * Math.sqrt(2000) + 0.1, depth: 2 * Math.sqrt(2000) + 0.1 })
    const { points, count } = sunflower(disc, NONE, 2000, Math.PI)
    expect(count).toBe(2000)
    let [within, cx, cy] = [0, 0, 0]
    const nearest: number[] = []
    for (let i = 0; i < count; i++) {
      const [x, y] = [points[2 * i], points[2 * i + 1]]
      if (x * x + y * y < 500) within++
      cx += x / count
      cy += y / count
      let least = Infinity
      for (let j = 0; j < count; j++)
        if (j !== i) least = Math.min(least, Math.hypot(points[2 * j] - x, points[2 * j + 1] - y))
      nearest.push(least)
    }
    nearest.sort((a, b) => a - b)
    expect(within).toBe(500)
    expect(Math.abs(nearest[0] - 1.546)).toBeLessThan(1.5e-3)
    expect(Math.abs((nearest[999] + nearest[1000]) / 2 - 1.688)).toBeLessThan(1.5e-3)
    expect(Math.hypot(cx, cy) / Math.sqrt(2000)).toBeLessThan(3e-4)
  })
})
