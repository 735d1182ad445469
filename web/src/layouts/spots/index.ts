import type { LayoutView } from '../definition'
import SpotsAfter from './SpotsAfter.vue'
import SpotsFacts from './SpotsFacts.vue'
import NearestStrip from '../../strip/NearestStrip.vue'

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
  after: SpotsAfter,
  facts: SpotsFacts,
  strip: NearestStrip,
}
