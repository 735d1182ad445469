import type { LayoutView } from '../definition'
import GridStrip from './GridStrip.vue'
import { gridHandles } from './handles'

export const grid: LayoutView<'grid'> = {
  drawing: { dots: [0, 1, 2].flatMap((j) => [0, 1, 2, 3, 4].map((i) => [12 + 12 * i, 8 + 12 * j] as const)) },
  strip: GridStrip,
  handles: gridHandles,
}
