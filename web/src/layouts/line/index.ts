import { formatLength } from '@hilera/core/numbers/format'
import type { LayoutView } from '../definition'
import { lineHandles } from './handles'
import LineStrip from './LineStrip.vue'

export const line: LayoutView<'line'> = {
  drawing: { dots: [0, 1, 2, 3, 4].map((i) => [12 + 12 * i, 24]) },
  strip: LineStrip,
  handles: lineHandles,
  note: ({ measure }, { count, spacing, run }, unit) =>
    `${count} copies, ${measure} ${formatLength(spacing, unit)}, run ${formatLength(run, unit)}`,
}
