import type { LayoutView } from '../definition'
import ReflectionAfter from '../../mirrors/ReflectionAfter.vue'
import MirrorStrip from './MirrorStrip.vue'

export const mirror: LayoutView<'mirror'> = {
  drawing: {
    dots: [
      [12, 10],
      [24, 22],
      [16, 33],
      [60, 10],
      [48, 22],
      [56, 33],
    ],
    line: 'M36 3V37',
  },
  after: ReflectionAfter,
  strip: MirrorStrip,
}
