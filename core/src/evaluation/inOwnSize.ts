import { ownSize } from '../asking/ownSize'
import { type Convex, sizedConvex } from '../clearing/convex'
import type { LayoutContext } from '../layouts/context'
import type { Pattern } from '../model/pattern'
import type { Support } from '../spacing/support'
import type { ShapeWish } from './agreed'

type Outlines = Pick<LayoutContext, 'supportOf' | 'shapeOf'>

/**
 * The outlines that a layout goes by, in the size that the pattern gives to all of its copies. How each of them stands is not known
 * in the first round, nor where sizes and places never agree; what all have in common is. Where the layout knows how they
 * stand, or keeps its gaps between parts as dealt, outlines are those of the parts.
 */
export function inOwnSize(
  pattern: Pattern,
  { standing }: ShapeWish,
  { supportOf, shapeOf }: Outlines,
): Outlines & Pick<LayoutContext, 'ownSize'> {
  const own = ownSize(pattern)
  const asDealt = 'outlines' in pattern.layout && pattern.layout.outlines === 'dealt'
  if (standing || asDealt || own === 1) return { supportOf, shapeOf, ownSize: own }
  const shapes = new Map<number, Convex | undefined>()
  return {
    ownSize: own,
    supportOf: (thing) => sizedSupport(supportOf(thing), own),
    shapeOf(thing) {
      const plain = shapes.has(thing) ? undefined : shapeOf(thing)
      if (!shapes.has(thing)) shapes.set(thing, plain && sizedConvex(plain, own))
      return shapes.get(thing)
    },
  }
}

const sizedSupport =
  (support: Support, by: number): Support =>
  (direction) => {
    const { low, high } = support(direction)
    return { low: low * by, high: high * by }
  }
