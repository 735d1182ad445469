import { companion } from './companion/index'
import { fill } from './fill/index'
import { grid } from './grid/index'
import { line } from './line/index'
import { mirror } from './mirror/index'
import { path } from './path/index'
import { ring } from './ring/index'
import { spots } from './spots/index'
import { surface } from './surface/index'

/** Every layout by its kind, in the order in which they are offered; a new one is entered here. */
export const layouts = { line, grid, ring, path, fill, spots, surface, companion, mirror }
