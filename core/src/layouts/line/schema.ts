import { z } from 'zod'
import { direction, outlines, spacing } from '../../values/spacing'

/** Copies side by side: any two of count, spacing and room are held. Lengths in metres. */
export const line = spacing.extend({ kind: z.literal('line'), direction, outlines })
export type Line = z.infer<typeof line>
