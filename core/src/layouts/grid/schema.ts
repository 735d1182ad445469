import { z } from 'zod'
import { outlines, spacing } from '../../values/spacing'
import { finite } from '../../values/values'

/** Where the pattern's origin lies along one direction of a grid. */
export const anchors = ['start', 'centre', 'end'] as const
export type Anchor = (typeof anchors)[number]

export const grid = z.object({
  kind: z.literal('grid'),
  across: spacing,
  deep: spacing,
  up: spacing,
  /** In step; every so many rows shifted by a share of the pitch; or hexagonal, the row pitch √3/2 of the column pitch. */
  rows: z.discriminatedUnion('kind', [
    z.object({ kind: z.literal('inStep') }),
    z.object({ kind: z.literal('offset'), share: finite, every: z.int().min(1) }),
    z.object({ kind: z.literal('hexagonal') }),
  ]),
  /** Which places are used: all, those on the outer edge of each layer, or every other one as on a checkerboard. */
  only: z.enum(['all', 'border', 'checker']),
  anchor: z.object({ across: z.enum(anchors), deep: z.enum(anchors), up: z.enum(anchors) }),
  /** How copies are numbered: row after row, back and forth, or from the centre outward. */
  order: z.enum(['rows', 'backAndForth', 'fromCentre']),
  outlines,
})
export type Grid = z.infer<typeof grid>

/** Which of count and room hexagonal rows keep, as their spacing follows from the columns': the one of them that was touched last. */
export const heldInHex = ({ hold: [older, newer] }: Grid['deep']): 'count' | 'room' => {
  const kept = newer === 'spacing' ? older : newer
  return kept === 'room' ? 'room' : 'count'
}
