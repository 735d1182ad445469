import type { Layout, LayoutKind } from '../model/layout'
import type { Result } from '../words'
import { placeCompanion } from './companion'
import { placeFill } from './fill'
import { placeGrid } from './grid'
import { placeLine } from './line'
import { placeMirror } from './mirror'
import type { LayoutContext, Placement } from './placement'
import { placePath } from './path'
import { placeRing } from './ring'
import { placeSpots } from './spots'

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
