import type { LayoutView } from '../definition'
import NearestStrip from '../../strip/NearestStrip.vue'

export const surface: LayoutView<'surface'> = {
  drawing: {
    dots: [
      [12, 26],
      [22, 20],
      [34, 14],
      [46, 16],
      [58, 23],
      [28, 28],
      [42, 26],
      [54, 31],
    ],
    line: 'M4 34C18 22 26 12 38 12S60 22 69 32',
  },
  strip: NearestStrip,
}
