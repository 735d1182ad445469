import { describe, expect, it } from 'vitest'
import { Evaluator } from '../src/evaluate'
import { companion } from '../src/layouts/companion/index'
import type { Pattern } from '../src/model/pattern'
import type { Clear } from '../src/steps/clear/schema'
import { plainClear } from '../src/steps/clear/schema'
import { plainReflection } from '../src/values/reflection'
import { evaluated } from './placed'
import { aLine, aPattern, aProject, aRing, box, pitched } from './projects'

/** What went wrong once where two features meet, so that it does not again. */
const all = (doc: Parameters<Evaluator['evaluate']>[0]) => new Evaluator().evaluate(doc, new Map())
/** Away from the planes, so that no image falls on what it is an image of. */
const BESIDE = { move: [0.3, 0, 0.4], turn: [0, 0, 0] } satisfies Pattern['place']
/** Five boxes, 100 mm wide, every 60 mm, of which some are left out. */
const crowded = (): ReturnType<typeof aPattern> => {
  const clear: Clear = { ...plainClear, id: 'clear', how: 'leaveOut', clearance: 0 }
  return aPattern(aLine({ ...pitched(5, 0.06), measure: 'pitch' }), ['tin'], {
    id: 'row',
    steps: [clear],
    place: BESIDE,
  })
}

describe('rings', () => {
  it('of an arc each end where the arc ends', () => {
    const ring = aRing({
      hold: ['count', 'radius'],
      count: 6,
      radius: 0.1,
      sweep: { kind: 'arc', angle: Math.PI, ends: 'both' },
      rings: 2,
      radialPitch: 0.1,
    })
    const { table } = evaluated(aProject([box('cup', 0.02)], aPattern(ring, ['cup'])))
    const angles = Array.from({ length: table.count }, (_, k) =>
      Math.atan2(table.position[3 * k + 2], table.position[3 * k]),
    )
    const radii = Array.from({ length: table.count }, (_, k) =>
      Math.hypot(table.position[3 * k], table.position[3 * k + 2]),
    )
    for (const radius of [0.1, 0.2]) {
      const own = angles.filter((_, k) => Math.abs(radii[k] - radius) < 1e-9).map((a) => Math.abs(a))
      expect(Math.min(...own)).toBeCloseTo(0, 9)
      expect(Math.max(...own)).toBeCloseTo(Math.PI, 9)
    }
  })
})

describe('a host that is left out', () => {
  it('keeps no companion, no image and no reach', () => {
    const row = crowded()
    const bulbs = aPattern(companion.begin({ width: 0, height: 0, depth: 0, unit: 'mm', host: 'row' }), ['bulb'], {
      id: 'bulbs',
      name: 'bulbs',
    })
    const images = aPattern(
      { kind: 'mirror', sources: [{ kind: 'pattern', id: 'row' }], ...plainReflection('deep') },
      [],
      {
        id: 'images',
        name: 'images',
      },
    )
    const repeated = aPattern(aLine({ ...pitched(2, 0), measure: 'gap', edges: 'outsides' }), ['row'], {
      id: 'again',
      name: 'again',
    })
    const doc = aProject([box('tin', 0.1), box('bulb', 0.02)], row, bulbs, images, repeated)
    const [host, on, mirrored, again] = all(doc)
    const there = host.table.presentCount()
    expect(there).toBeLessThan(5)
    expect(on.table.presentCount()).toBe(there)
    expect(mirrored.table.presentCount()).toBe(there)
    expect(again.expanded.presentCount()).toBe(2 * there)
  })
})

describe('a twin that is mirrored', () => {
  const wedge = box('wedge', 0.1)
  const image = (shapes: 'kept' | 'mirrored') => {
    const first = aPattern(
      { kind: 'mirror', sources: [{ kind: 'pattern', id: 'row' }], ...plainReflection('across'), shapes: 'mirrored' },
      [],
      { id: 'once', name: 'once' },
    )
    const second = aPattern(
      { kind: 'mirror', sources: [{ kind: 'pattern', id: 'once' }], ...plainReflection('deep'), shapes },
      [],
      { id: 'twice', name: 'twice' },
    )
    const row = aPattern(aLine({ ...pitched(1, 0.1), measure: 'pitch' }), ['wedge'], { id: 'row', place: BESIDE })
    return all(aProject([wedge], row, first, second))[2].table
  }

  it('is the part again, or stays a twin where shapes are kept', () => {
    expect(image('mirrored').isTwin(0)).toBe(false)
    expect(image('kept').isTwin(0)).toBe(true)
  })
})
