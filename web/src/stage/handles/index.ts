import type { Pattern } from '@hilera/core/model/pattern'
import type { Reach } from '@hilera/core/things'
import type { PatternUpdate } from '../../worker/messages'
import { fillHandles } from './fill'
import { gridHandles } from './grid'
import { Frame, type Handles, type LayoutHandles } from './handles'
import { lineHandles } from './line'
import { pathHandles } from './path'
import { ringHandles } from './ring'

export type { Dimension, Handles, Pin } from './handles'

/** Lays out the handles of a pattern in the world; nothing while it cannot be placed. */
export function handlesOf(
  pattern: Pattern,
  update: PatternUpdate,
  reachOf: (thing: number) => Reach,
): Handles | undefined {
  if (!update.laid || update.table.count === 0) return undefined
  const frame = new Frame(pattern, update, reachOf)
  return { origin: frame.origin, dots: frame.dots(), ...layoutHandles(pattern, update, frame) }
}

function layoutHandles(pattern: Pattern, { laid }: PatternUpdate, frame: Frame): LayoutHandles {
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
