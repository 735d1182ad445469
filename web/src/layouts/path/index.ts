import type { LayoutView } from '../definition'
import { pathHandles } from './handles'
import PathAfter from './PathAfter.vue'
import PathStrip from './PathStrip.vue'

export const path: LayoutView<'path'> = {
  drawing: { dots: Array.from({ length: 8 }, (_, i) => [8 + 8 * i, 20 + 11 * Math.sin(i * 0.85)]) },
  after: PathAfter,
  strip: PathStrip,
  handles: pathHandles,
}
