import type { Pattern } from '@hilera/core/model/pattern'
import type { Support } from '@hilera/core/spacing/support'
import { layoutHandles } from '../layouts'
import { type Handles, PatternAxes } from '../stage/handles'
import { mirrorHandles } from '../stage/mirrorHandles'
import type { PatternUpdate } from '../worker/messages'

/** Lays out the handles of a pattern in the world; nothing while it cannot be placed. */
export function handlesOf(
  pattern: Pattern,
  update: PatternUpdate,
  supportOf: (thing: number) => Support,
  handed: (thing: number) => boolean,
): Handles | undefined {
  if (!update.laid || (update.table.count === 0 && !update.mirrors)) return undefined
  const axes = new PatternAxes(pattern, update, supportOf)
  const own = layoutHandles(pattern.layout, update.laid, axes)
  const { mirrors, pins } = mirrorHandles(update.mirrors?.planes ?? [], axes)
  return {
    origin: axes.origin,
    direction: (local) => axes.direction(local),
    dots: axes.dots(handed),
    ...own,
    pins: [...own.pins, ...pins],
    mirrors,
  }
}
