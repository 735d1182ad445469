import { describe, expect, it } from 'vitest'
import { InstanceTable } from '../../src/instances'
import { SurfaceFrames } from '../../src/mirror/frames'
import type { Variation } from '../../src/values/variation'
import { type Quaternion, rotate } from '../../src/geometry/rotation'
import { varyRows } from '../../src/steps/vary/varyRows'

const COUNT = 10_000
const varied = (change: Partial<Variation>): InstanceTable => {
  const table = new InstanceTable()
  table.neutral(COUNT)
  for (let k = 0; k < COUNT; k++) table.slotLow[k] = k
  const variation: Variation = { what: 'turnAny', low: 0, high: 1, spread: 'even', axes: 'copy', seed: 17, ...change }
  varyRows(table, variation, new Uint8Array(COUNT).fill(1), 'step', {
    id: 'pattern',
    turn: [0, 0, 0, 1],
    frames: new SurfaceFrames(),
    colorOf: () => '#808080',
  })
  return table
}
const turnOf = ({ quaternion: q }: InstanceTable, k: number): Quaternion => [
  q[4 * k],
  q[4 * k + 1],
  q[4 * k + 2],
  q[4 * k + 3],
]
const mean = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0) / values.length

describe('any turn is even over all rotations', () => {
  const table = varied({})
  const columns = Array.from({ length: COUNT }, (_, k) =>
    (
      [
        [1, 0, 0],
        [0, 1, 0],
        [0, 0, 1],
      ] as const
    ).map((v) => rotate(turnOf(table, k), [...v])),
  )

  it('R1: E[R²] = 1/3 for all nine entries, within 4.5 deviations (Haar measure; Shoemake 1992; value from memory)', () => {
    for (let c = 0; c < 3; c++)
      for (let r = 0; r < 3; r++) expect(Math.abs(mean(columns.map((m) => m[c][r] ** 2)) - 1 / 3)).toBeLessThan(0.0134)
  })

  it('R2: angles follow (θ − sin θ)/π: χ² over 18 bins of 10° below 40.79, 17 degrees of freedom (Miles 1965; value from memory)', () => {
    const bins = new Array<number>(18).fill(0)
    for (let k = 0; k < COUNT; k++) {
      const angle = 2 * Math.acos(Math.min(1, Math.abs(turnOf(table, k)[3])))
      bins[Math.min(17, Math.floor((angle * 18) / Math.PI))]++
    }
    const share = (angle: number): number => (angle - Math.sin(angle)) / Math.PI
    const chi = bins.reduce((sum, n, i) => {
      const expected = COUNT * (share(((i + 1) * Math.PI) / 18) - share((i * Math.PI) / 18))
      return sum + (n - expected) ** 2 / expected
    }, 0)
    expect(chi).toBeLessThan(40.79)
  })

  it('R3: directions: mean 0, E z² = 1/3, E |z| = 1/2 (Marsaglia 1972; value from memory)', () => {
    const z = columns.map((m) => m[2][2])
    expect(Math.abs(mean(z))).toBeLessThan(0.026)
    expect(Math.abs(mean(z.map((n) => n * n)) - 1 / 3)).toBeLessThan(0.0134)
    expect(Math.abs(mean(z.map(Math.abs)) - 1 / 2)).toBeLessThan(0.013)
  })
})

it.each([
  [10, 0.9924039],
  [30, 0.9330127],
  [60, 0.75],
  [90, 0.5],
])('R4: tilts within %i° are even over the cap: mean cosine %f (Archimedes’ hat-box theorem)', (degrees, cosine) => {
  const high = (degrees * Math.PI) / 180
  const table = varied({ what: 'tilt', low: 0, high })
  const cosines = Array.from({ length: COUNT }, (_, k) => rotate(turnOf(table, k), [0, 1, 0])[1])
  // The cosine is even between cos α and 1: its deviation is (1 − cos α)/√12; 4.5 of them over √10 000.
  expect(Math.abs(mean(cosines) - cosine)).toBeLessThan((4.5 * (1 - Math.cos(high))) / Math.sqrt(12 * COUNT))
  expect(Math.min(...cosines)).toBeGreaterThanOrEqual(Math.cos(high) - 1e-12)
})

it('N7: bell-shaped values: mean and deviation of a normal one, cut at three deviations (Box & Muller 1958)', () => {
  const table = varied({ what: 'moveAcross', low: -3, high: 3, spread: 'bell' })
  const values = Array.from({ length: COUNT }, (_, k) => table.position[3 * k])
  expect(Math.abs(mean(values))).toBeLessThan(0.045)
  expect(Math.abs(mean(values.map((v) => v * v)) - 1)).toBeLessThan(0.065)
  // P(|z| < 1) = .6826894921; binomial, 3.5 deviations.
  expect(Math.abs(values.filter((v) => Math.abs(v) < 1).length / COUNT - 0.6826894921)).toBeLessThan(0.0165)
  for (const v of values) expect(Math.abs(v)).toBeLessThanOrEqual(3)
})

describe('a colour between two', () => {
  /** The shades that come of a step, each once, in order of brightness. */
  const shadesOf = (from: string, to: string, shades: number): string[] => {
    const table = new InstanceTable()
    table.neutral(COUNT)
    for (let k = 0; k < COUNT; k++) table.slotLow[k] = k
    const frames = new SurfaceFrames()
    const variation: Variation = {
      what: 'color',
      low: 0,
      high: 1,
      spread: 'even',
      axes: 'copy',
      seed: 17,
      colors: { from, to, shades },
    }
    varyRows(table, variation, new Uint8Array(COUNT).fill(1), 'step', {
      id: 'pattern',
      turn: [0, 0, 0, 1],
      frames,
      colorOf: () => '#808080',
    })
    return [...new Set(Array.from(table.surface.subarray(0, COUNT), (n) => frames.all[n - 1].color!))].sort()
  }

  // Ottosson, A perceptual color space for image processing (2020): greys have L = cube root of linear light, so that half of
  // the way from black to white is ⅛ of its light: 255 · (1.055 · 0.125^(1 / 2.4) − 0.055) = 99.1.
  it('is half as light to the eye in the middle: black, #636363, white', () => {
    expect(shadesOf('#000000', '#ffffff', 3)).toEqual(['#000000', '#636363', '#ffffff'])
  })

  // Quarters of L: 1/64, 1/8 and 27/64 of the light: 33.6, 99.1 and 173.7 of 255.
  it('comes in even steps of lightness', () => {
    expect(shadesOf('#000000', '#ffffff', 5)).toEqual(['#000000', '#222222', '#636363', '#aeaeae', '#ffffff'])
  })
})
