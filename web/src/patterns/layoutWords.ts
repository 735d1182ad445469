import type { LayoutKind } from '@hilera/core/model/layout'
import type { Pattern } from '@hilera/core/model/pattern'
import { Ellipsis } from '@lucide/vue'
import type { Component } from 'vue'

interface LayoutWords {
  readonly icon: Component
  /** One line for the list. */
  summary(pattern: Pattern): string
}

/** How each layout is named and drawn in lists. */
export const layoutWords: Record<LayoutKind, LayoutWords> = {
  line: {
    icon: Ellipsis,
    summary: ({ layout: { direction } }) =>
      direction.kind === 'axis'
        ? `line ${direction.axis === 'up' ? (direction.sign > 0 ? 'upwards' : 'downwards') : direction.axis}`
        : 'line by amounts',
  },
}
