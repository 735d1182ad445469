import { Bodies } from '../clearing/bodies'
import type { Convex } from '../clearing/convex'
import { newPlace } from '../grounds/surface'
import type { Pattern } from '../model/pattern'
import { isStep } from '../steps/index'
import type { SettleContext } from '../steps/settle/context'
import { inAxes } from './inAxes'
import type { PatternOutcome } from './outcome'

/** More copies than these are not drawn one after another: nobody would tell them apart. */
const MOST = 400
/** Places between two copies at which the ground is looked at. */
const BETWEEN = 8

/** The ground under copies in their order, cut along the straight ways from each to the next. Metres. */
export interface Profile {
  readonly copies: readonly {
    readonly row: number
    /** How far along the way its pivot stands, over or under what ground, and from where to where its outline reaches up. */
    readonly at: number
    readonly ground: number | undefined
    readonly low: number
    readonly high: number
    readonly width: number
  }[]
  /** The ground along the way: how far, and how high; a gap in it is a height of NaN. */
  readonly along: Float64Array
  readonly heights: Float64Array
}

/** @returns undefined for a pattern that does not settle, or of which there are too many */
export function profileOf(
  pattern: Pattern,
  { table: own }: Pick<PatternOutcome, 'table'>,
  { restOf, shapeOf }: Pick<SettleContext, 'restOf'> & { readonly shapeOf: (thing: number) => Convex | undefined },
): Profile | undefined {
  const settle = pattern.steps.find((step) => isStep('settle', step))
  if (!isStep('settle', settle) || own.presentCount() === 0 || own.presentCount() > MOST) return undefined
  const surfaces = settle.on.flatMap((rest) => restOf(rest)?.surface ?? [])
  const table = inAxes(own, pattern.place)
  const bodies = new Bodies(table, shapeOf)
  const place = newPlace()
  const heightAt = (x: number, z: number): number | undefined => {
    let found: number | undefined
    for (const surface of surfaces) {
      if (!surface.at(x, z, place) || (found !== undefined && found >= place[0])) continue
      found = place[0]
      if (settle.which === 'first') break
    }
    return found
  }
  const copies: Profile['copies'][number][] = []
  const [along, heights]: number[][] = [[], []]
  const reach = new Float64Array(3)
  let before: readonly [number, number] | undefined
  let at = 0
  for (let k = 0; k < table.count; k++) {
    if (!table.isPresent(k)) continue
    const [x, y, z] = table.moveOf(k)
    if (before) {
      const [fromX, fromZ] = before
      const step = Math.hypot(x - fromX, z - fromZ)
      for (let n = 1; n < BETWEEN; n++) {
        const share = n / BETWEEN
        along.push(at + share * step)
        heights.push(heightAt(fromX + share * (x - fromX), fromZ + share * (z - fromZ)) ?? NaN)
      }
      at += step
    }
    const edge = (dx: number, dy: number, dz: number): Float64Array => {
      bodies.support(k, dx, dy, dz, reach, 0)
      return reach
    }
    const there = bodies.there[k] === 1
    const ground = heightAt(x, z)
    copies.push({
      row: k,
      at,
      ground,
      low: there ? edge(0, -1, 0)[1] : y,
      high: there ? edge(0, 1, 0)[1] : y,
      width: there ? edge(1, 0, 0)[0] - edge(-1, 0, 0)[0] : 0,
    })
    along.push(at)
    heights.push(ground ?? NaN)
    before = [x, z]
  }
  return { copies, along: Float64Array.from(along), heights: Float64Array.from(heights) }
}
