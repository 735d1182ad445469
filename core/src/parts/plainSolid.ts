import { type Part, isSolid } from '../model/part'
import type { Solid } from '../solids/schema'

const boxes = new WeakMap<Part['shape'], Solid>()

/**
 * The solid by whose numbers a part's outline is told: of one in its plain form its own, of a placeholder a box; undefined for those that
 * only their points tell. Points are kept with seven digits, and numbers with all.
 */
export function plainSolidOf({ shape, form }: Part): Solid | undefined {
  if (shape.kind === 'placeholder') {
    const { width, height, depth } = shape
    const box = boxes.get(shape) ?? { kind: 'box', width, height, depth }
    boxes.set(shape, box)
    return box
  }
  const isPlain = !form || (!form.bend && !form.twist && (form.taper ?? 1) === 1)
  return isPlain && isSolid(shape) ? shape : undefined
}
