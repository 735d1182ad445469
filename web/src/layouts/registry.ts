import type { LayoutKind } from '@hilera/core/layouts/index'
import { companion } from './companion'
import type { LayoutView } from './definition'
import { fill } from './fill'
import { grid } from './grid'
import { line } from './line'
import { mirror } from './mirror'
import { path } from './path'
import { ring } from './ring'
import { spots } from './spots'
import { surface } from './surface'

/** Every layout by its kind; a new one is entered here. */
export const layoutViews = { line, grid, ring, path, fill, spots, surface, companion, mirror } satisfies {
  [K in LayoutKind]: LayoutView<K>
}
