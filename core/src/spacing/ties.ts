import type { Box } from '../geometry/box'

/** Heights of a part to which other things are tied: its pivot, its base, its centre, its top. */
export const ties = ['pivot', 'base', 'centre', 'top'] as const
export type Tie = (typeof ties)[number]

/** How high above its pivot a part has one of them, in metres along its own up; its base may lie below the pivot. */
export function heightOf(tie: Tie, { low, high }: Box): number {
  switch (tie) {
    case 'base':
      return low[1]
    case 'top':
      return high[1]
    case 'centre':
      return (low[1] + high[1]) / 2
    case 'pivot':
      return 0
  }
}
