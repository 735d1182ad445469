import { z } from 'zod'
import { fileRef, inMetres, seed } from '../../values/marks'
import { outline } from '../../values/outline'
import { finite, length } from '../../values/values'

export const fill = z.object({
  kind: z.literal('fill'),
  outline,
  /** Free along the edge. */
  margin: inMetres(finite.refine((n) => n >= 0, '0 or more')),
  /** What is kept inside: pivots alone; where it is absent, whole copies. */
  edge: z.literal('pivots').optional(),
  by: z.enum(['count', 'density']),
  count: finite,
  /** Copies a square metre. */
  density: inMetres(finite, -2),
  /**
   * At random, at random with a least distance between pivots, as the seeds of a sunflower, or in rows with that distance, square or
   * each half a step on.
   */
  how: z.enum(['random', 'even', 'sunflower', 'square', 'hexagonal']),
  least: length,
  seed: seed(),
  /** More copies where a picture is dark, or light: it lies over the whole outline, its top at the far side. */
  weights: z
    .object({ file: fileRef('picture'), fileName: z.string().max(200), light: z.literal(true).optional() })
    .optional(),
})
export type Fill = z.infer<typeof fill>
