import type { Pattern } from '@hilera/core/model/pattern'
import type { Support } from '@hilera/core/spacing/support'
import type { PatternUpdate } from '../../worker/messages'
import { fillHandles } from './fill'
import { gridHandles } from './grid'
import { PatternAxes, type Handles, type LayoutHandles } from './handles'
import { lineHandles } from './line'
import { mirrorHandles } from './mirror'
import { pathHandles } from './path'
import { ringHandles } from './ring'

export type { Dimension, Handles, MirrorHandle, Pin } from './handles'

/** Lays out the handles of a pattern in the world; nothing while it cannot be placed. */
export function handlesOf(
  pattern: Pattern,
  update: PatternUpdate,
  supportOf: (thing: number) => Support,
  handed: (thing: number) => boolean,
): Handles | undefined {
  if (!update.laid || (update.table.count === 0 && !update.mirrors)) return undefined
  const frame = new PatternAxes(pattern, update, supportOf)
  const own = layoutHandles(pattern, update, frame)
  const { mirrors, pins } = mirrorHandles(update.mirrors?.planes ?? [], frame)
  return { origin: frame.origin, dots: frame.dots(handed), ...own, pins: [...own.pins, ...pins], mirrors }
}

function layoutHandles(pattern: Pattern, { laid }: PatternUpdate, frame: PatternAxes): LayoutHandles {
  switch (laid?.kind) {
    case 'line':
      return lineHandles(laid, frame)
    case 'grid':
      return gridHandles(laid, frame)
    case 'ring':
      return ringHandles(laid, frame, pattern)
    case 'path':
      return pathHandles(pattern, frame)
    case 'fill':
      return fillHandles(pattern, frame)
    default:
      return { pins: [], dimensions: [], guides: [] }
  }
}
