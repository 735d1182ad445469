import type { LayoutView } from '../definition'
import FillAfter from './FillAfter.vue'
import NearestStrip from '../../strip/NearestStrip.vue'
import { fillHandles } from './handles'

export const fill: LayoutView<'fill'> = {
  drawing: {
    dots: [
      [14, 12],
      [27, 8],
      [42, 14],
      [58, 9],
      [20, 24],
      [34, 28],
      [50, 25],
      [61, 31],
      [12, 33],
      [45, 35],
    ],
  },
  after: FillAfter,
  strip: NearestStrip,
  handles: fillHandles,
}
