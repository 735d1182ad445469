import type { LayoutKind } from '@hilera/core/layouts/index'
import type { Component } from 'vue'
import CompanionStrip from './CompanionStrip.vue'
import FillStrip from './FillStrip.vue'
import GridStrip from './GridStrip.vue'
import LineStrip from './LineStrip.vue'
import MirrorStrip from './MirrorStrip.vue'
import PathStrip from './PathStrip.vue'
import RingStrip from './RingStrip.vue'
import SpotsStrip from './SpotsStrip.vue'

/** How each layout is unrolled. */
export const layoutStrips: Record<LayoutKind, Component> = {
  line: LineStrip,
  grid: GridStrip,
  ring: RingStrip,
  fill: FillStrip,
  companion: CompanionStrip,
  path: PathStrip,
  spots: SpotsStrip,
  mirror: MirrorStrip,
}
