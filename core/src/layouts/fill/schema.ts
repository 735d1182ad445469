import { z } from 'zod'
import { fileRef, inMetres, ref, seed } from '../../values/marks'
import { outline } from '../../values/outline'
import { finite, length } from '../../values/values'

export const fill = z.object({
  kind: z.literal('fill'),
  outline,
  /** Free along the edge. */
  margin: inMetres(finite.refine((n) => n >= 0, '0 or more')),
  /** What is kept inside: pivots alone; where it is absent, whole copies. */
  edge: z.literal('pivots').optional(),
  /** Guides and outlines of other patterns that are kept off: none of a copy, or no pivot, is nearer to them than so far. */
  off: z
    .object({
      guides: z.array(ref('pattern', 'guide')).min(1).max(100),
      distance: inMetres(finite.refine((n) => n >= 0, '0 or more')),
    })
    .optional(),
  by: z.enum(['count', 'density']),
  count: finite,
  /** Copies a square metre. */
  density: inMetres(finite, -2),
  /**
   * At random, at random with a least distance between pivots, as the seeds of a sunflower, or in rows with that distance, square or
   * each half a step on, or in bands along the edge with that distance.
   */
  how: z.enum(['random', 'even', 'sunflower', 'square', 'hexagonal', 'bands']),
  least: length,
  seed: seed(),
  /** More copies where a picture is dark, or light: it lies over the whole outline, its top at the far side. */
  weights: z
    .object({ file: fileRef('picture'), fileName: z.string().max(200), light: z.literal(true).optional() })
    .optional(),
})
export type Fill = z.infer<typeof fill>
