import { brightnessAt } from '../../pictures/brightness'
import { Randomness } from '../../random'
import type { Area } from '../../scatter/area'
import type { Margin } from '../../scatter/spread'
import { type Result, done, refused } from '../../words'
import type { LayoutContext } from '../context'
import type { Fill } from './schema'

/**
 * Which places take a copy by the brightness of a picture that lies over the whole outline, its top at the far side: each with the chance
 * that its darkness is (or its lightness), by its own dart, so that a higher count keeps those that stand. Undefined without a picture;
 * refused where it has not been read.
 */
export function weightOf(
  { weights, seed }: Fill,
  { low, high }: Area,
  { patternId, pictureOf }: Pick<LayoutContext, 'patternId' | 'pictureOf'>,
): Result<NonNullable<Margin['keeps']>> | undefined {
  if (!weights) return undefined
  const picture = pictureOf(weights.file)
  if (!picture) return refused(`The picture ${weights.fileName} is not there. Choose it again.`)
  const random = new Randomness(seed, patternId, 'weights')
  return done((x, y, dart) => {
    const light = brightnessAt(picture, (x - low[0]) / (high[0] - low[0]), (y - low[1]) / (high[1] - low[1])) ?? 1
    return random.value(dart, 0, 0) < (weights.light ? light : 1 - light)
  })
}
