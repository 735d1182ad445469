import type { LineOutcome } from '@hilera/core/layouts/line/place'
import type { Line } from '@hilera/core/layouts/line/schema'
import { takeHold } from '@hilera/core/spacing/hold'

/** The edit that moves copy `index` by so much along the line, by an even spacing: distances grow with it by whole numbers. */
export function spacingBy(laid: LineOutcome, index: number, metres: number): (line: Line) => void {
  const by = metres / index
  return (line) => {
    if (line.direction.kind === 'amounts') {
      const length = Math.hypot(...line.direction.step)
      line.direction.step = line.direction.step.map((n) => n * (1 + by / length)) as [number, number, number]
    } else takeHold(line, 'spacing', laid.spacing + by)
  }
}

/** The edit that places so many copies at the spacing that there is now: the room follows. */
export const countAtSpacing =
  (laid: LineOutcome, count: number) =>
  (line: Line): void => {
    if (!Number.isNaN(laid.spacing)) line.spacing = laid.spacing
    line.count = count
    line.hold = ['spacing', 'count']
  }
