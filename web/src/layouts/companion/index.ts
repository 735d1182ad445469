import type { LayoutView } from '../definition'
import CompanionStrip from './CompanionStrip.vue'

export const companion: LayoutView<'companion'> = {
  drawing: {
    dots: [
      [16, 24],
      [36, 24],
      [56, 24],
    ],
    small: [
      [16, 11],
      [36, 11],
      [56, 11],
    ],
  },
  strip: CompanionStrip,
}
