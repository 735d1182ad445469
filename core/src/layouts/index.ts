import type { Layout, LayoutKind } from '../model/layout'
import type { Result } from '../words'
import { placeCompanion } from './companion/place'
import { placeFill } from './fill/place'
import { placeGrid } from './grid/place'
import { placeLine } from './line/place'
import { placeMirror } from './mirror/place'
import type { LayoutContext, Placement } from './placement'
import { placePath } from './path/place'
import { placeRing } from './ring/place'
import { placeSpots } from './spots/place'

type Layouts = {
  readonly [K in LayoutKind]: (layout: Extract<Layout, { kind: K }>, context: LayoutContext) => Result<Placement>
}

/** Every layout by its kind; a new one is entered here. */
const layouts: Layouts = {
  line: placeLine,
  grid: placeGrid,
  ring: placeRing,
  fill: placeFill,
  companion: placeCompanion,
  path: placePath,
  spots: placeSpots,
  mirror: placeMirror,
}

/** Works out where a pattern's copies go. */
export const placeLayout = <K extends LayoutKind>(
  layout: Extract<Layout, { kind: K }>,
  context: LayoutContext,
): Result<Placement> => layouts[layout.kind as K](layout, context)
