import { describe, expect, it } from 'vitest'
import { placesOf, slotsOf } from '../../../test/placed'
import { aFill, aPattern, aProject, ball } from '../../../test/projects'
import { Evaluator } from '../../evaluate'
import { pictureKey } from '../../parts/partMesh'
import { pictureMesh } from '../../parts/pictureMesh'
import { PGM, writePgm } from '../../pictures/pgm'
import type { Fill } from './schema'

const file = 'a'.repeat(64)
/** Black at the left, white at the right, in even steps. */
const ramp = { width: 256, height: 2, values: Uint8Array.from({ length: 512 }, (_, i) => i % 256), most: 255 }
const meshes = new Map([[pictureKey(file), pictureMesh(writePgm(ramp), PGM)]])
const outline: Fill['outline'] = { kind: 'rectangle', width: 2, depth: 1 }
const filled = (change: Partial<Fill>, known = meshes) => {
  const fill = aFill({ outline, how: 'random', count: 2000, weights: { file, fileName: 'ramp.png' }, ...change })
  return new Evaluator().evaluate(aProject([ball('sugar', 0.002)], aPattern(fill, ['sugar'])), known)[0]
}
const shareLeft = (change: Partial<Fill>): number => {
  const places = placesOf(filled(change).table)
  return places.filter(([x]) => x < 0).length / places.length
}

describe('a fill by the brightness of a picture', () => {
  // Of a darkness that falls evenly from 1 to 0 three quarters lie in the darker half; 2 000 copies miss that by 0.01 (one sigma).
  it.each(['random', 'even', 'sunflower', 'square', 'hexagonal'] as const)(
    'has three quarters in the darker half, %s',
    (how) => {
      expect(Math.abs(shareLeft({ how, least: 0.018, count: how === 'random' ? 2000 : 100_000 }) - 0.75)).toBeLessThan(
        0.04,
      )
      expect(
        Math.abs(
          shareLeft({
            how,
            least: 0.018,
            count: how === 'random' ? 2000 : 100_000,
            weights: { file, fileName: 'ramp.png', light: true },
          }) - 0.25,
        ),
      ).toBeLessThan(0.04)
    },
  )

  it('keeps those that are there when the count grows, and the least distance', () => {
    for (const how of ['random', 'even'] as const) {
      const [few, many] = [300, 600].map((count) => slotsOf(filled({ how, count, least: 0.02 }).table))
      expect(many.slice(0, few.length)).toEqual(few)
    }
    const places = placesOf(filled({ how: 'even', least: 0.05, count: 400 }).table)
    for (const [i, a] of places.entries())
      for (const b of places.slice(i + 1))
        expect(Math.hypot(a[0] - b[0], a[2] - b[2])).toBeGreaterThanOrEqual(0.05 * (1 - 1e-12))
  })

  it('places nothing while the picture is not there, and says so', () => {
    const says = JSON.stringify(filled({}, new Map()).problem?.says)
    expect(says).toContain('The picture ramp.png is not there.')
  })
})
