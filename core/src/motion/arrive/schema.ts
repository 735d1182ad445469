import { z } from 'zod'
import { inMetres, ownId } from '../../values/marks'
import { axis, color, finite, placeIn } from '../../values/values'
import { easing } from '../easing'
import { ordered } from '../ranks'
import { timing } from '../timing'

export const comeFrom = ['below', 'above', 'left', 'right', 'front', 'behind', 'path', 'place'] as const
export type ComeFrom = (typeof comeFrom)[number]

/**
 * Copies come in one after another: each from so far below, above or beside of where it stands, along its path or from a place, turned
 * and in another size, and then stands as it would without it. Or they leave the same way, backwards.
 */
export const arrive = z.object({
  kind: z.literal('arrive'),
  id: ownId(),
  way: z.enum(['in', 'out']),
  ...ordered.shape,
  ...timing.shape,
  /** A side of each; back along the path on which they stand; or one place of all, in the pattern's own axes. */
  from: z.enum(comeFrom),
  place: placeIn,
  /** In metres, along the pattern's own axes or the path. Nobody goes back beyond the beginning of an open one. */
  distance: inMetres(finite.refine((n) => n >= 0, '0 or more')),
  /** In radians, about an axis of the pattern through the copy's pivot. */
  turn: finite,
  about: axis,
  /** Of its own size, as it comes. */
  size: finite.refine((n) => n > 0, 'more than 0'),
  /** The colour in which it comes; on its way it takes on its own. Of pictures: files of copies that share a mesh cannot hold it. */
  tint: color.optional(),
  easing,
  /** It stands there before it comes, or after it has left, as it would begin; otherwise it is not shown then. */
  waits: z.literal(true).optional(),
})
export type Arrive = z.infer<typeof arrive>
