import type { LayoutView } from '../definition'
import { ringHandles } from './handles'
import RingStrip from './RingStrip.vue'

export const ring: LayoutView<'ring'> = {
  drawing: {
    dots: Array.from({ length: 10 }, (_, i) => [
      36 + 26 * Math.cos((i * Math.PI) / 5),
      20 + 14 * Math.sin((i * Math.PI) / 5),
    ]),
  },
  strip: RingStrip,
  handles: ringHandles,
}
