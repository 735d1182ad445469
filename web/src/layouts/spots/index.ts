import type { LayoutView } from '../definition'
import SpotsSentence from './SpotsSentence.vue'
import SpotsStrip from './SpotsStrip.vue'

export const spots: LayoutView<'spots'> = {
  drawing: {
    dots: [
      [10, 28],
      [24, 12],
      [33, 31],
      [46, 20],
      [62, 10],
    ],
  },
  sentence: SpotsSentence,
  strip: SpotsStrip,
}
