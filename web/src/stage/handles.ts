import type { Pattern } from '@hilera/core/model/pattern'
import type { Vec3 } from '@hilera/core/values/values'
import { isImage } from '@hilera/core/slots'
import { fromTurns } from '@hilera/core/geometry/rotation'
import { boxOf, type Support } from '@hilera/core/spacing/support'
import * as THREE from 'three'
import type { PatternUpdate } from '../worker/messages'
import type { Pin } from './pins'

export interface Dimension {
  readonly key: string
  readonly from: THREE.Vector3
  readonly to: THREE.Vector3
  /** Where the extension lines start, on the things that are measured. */
  readonly fromFoot: THREE.Vector3
  readonly toFoot: THREE.Vector3
  readonly metres: number
  readonly words: string
}

/** What is drawn over a picked pattern: pins, dimension lines, guides, and a dot on every copy. */
export interface Handles {
  readonly origin: THREE.Vector3
  /** A direction in the pattern's own axes, in the world. */
  readonly direction: (local: Readonly<Vec3>) => THREE.Vector3
  readonly pins: readonly Pin[]
  readonly dimensions: readonly Dimension[]
  /** Lines that guide the eye and are never exported: circles, outlines. */
  readonly guides: readonly (readonly THREE.Vector3[])[]
  readonly dots: readonly { readonly row: number; readonly at: THREE.Vector3; readonly hand?: 'L' | 'R' }[]
  readonly mirrors: readonly MirrorHandle[]
}

/** A mirror plane as a rectangle in the world, corner after corner. */
export interface MirrorHandle {
  readonly corners: readonly THREE.Vector3[]
}

export type LayoutHandles = Pick<Handles, 'pins' | 'dimensions' | 'guides'>

/** A crowd would drown in its dots. */
const MOST_DOTS = 120

const UP: Readonly<Vec3> = [0, 1, 0]

/** A pattern's axes in the world, and how far its things reach. */
export class PatternAxes {
  readonly origin: THREE.Vector3
  private readonly turn: THREE.Quaternion
  /** The box about all things that the pattern places, about their pivots. */
  readonly low: Vec3 = [0, 0, 0]
  readonly high: Vec3 = [0, 0, 0]
  private readonly levels = new Map<Readonly<Vec3>, number | undefined>()

  constructor(
    pattern: Pattern,
    readonly update: PatternUpdate,
    readonly supportOf: (thing: number) => Support,
  ) {
    this.origin = new THREE.Vector3(...pattern.place.move)
    this.turn = new THREE.Quaternion(...fromTurns(pattern.place.turn))
    const { table } = update
    for (const thing of table.things()) {
      const { low, high } = boxOf(supportOf(thing))
      for (let i = 0; i < 3; i++) {
        this.low[i] = Math.min(this.low[i], low[i])
        this.high[i] = Math.max(this.high[i], high[i])
      }
    }
  }

  world(local: ArrayLike<number>): THREE.Vector3 {
    return new THREE.Vector3(local[0], local[1], local[2]).applyQuaternion(this.turn).add(this.origin)
  }

  direction(local: ArrayLike<number>): THREE.Vector3 {
    return new THREE.Vector3(local[0], local[1], local[2]).applyQuaternion(this.turn)
  }

  /** A place on the pattern's ground, lifted by so much. */
  at(x: number, y: number, z: number): THREE.Vector3 {
    return this.world([x, y, z])
  }

  /**
   * How much further up the nearest copy stands than a place of the layout: settled, pushed or moved copies take their pins and
   * dimension lines along. Nearest is seen along `up`; the first laid counts where several stand one over another.
   */
  lift(place: Readonly<Vec3>, up: Readonly<Vec3> = UP): number {
    const { table } = this.update
    const { position: p } = table
    const level = this.levelAlong(up)
    if (level !== undefined) return level - (place[0] * up[0] + place[1] * up[1] + place[2] * up[2])
    let [nearest, found] = [Infinity, 0]
    for (let k = 0; k < table.count; k++) {
      if (!table.isPresent(k) || isImage(table.slotHigh[k])) continue
      const [x, y, z] = [p[3 * k] - place[0], p[3 * k + 1] - place[1], p[3 * k + 2] - place[2]]
      const over = x * up[0] + y * up[1] + z * up[2]
      const away = x * x + y * y + z * z - over * over
      if (away < nearest - 1e-12) [nearest, found] = [away, over]
    }
    return found
  }

  /** How far up all copies stand, where that is the same of all: of most crowds it is. */
  private levelAlong(up: Readonly<Vec3>): number | undefined {
    if (this.levels.has(up)) return this.levels.get(up)
    const { table } = this.update
    const { position: p } = table
    let [low, high] = [Infinity, -Infinity]
    for (let k = 0; k < table.count && !(high - low > 1e-12); k++) {
      if (!table.isPresent(k) || isImage(table.slotHigh[k])) continue
      const at = p[3 * k] * up[0] + p[3 * k + 1] * up[1] + p[3 * k + 2] * up[2]
      if (at < low) low = at
      if (at > high) high = at
    }
    const level = high - low <= 1e-12 ? low : undefined
    this.levels.set(up, level)
    return level
  }

  /** A place of the layout, taken to the level of the copy nearest to it. */
  lifted(place: Readonly<Vec3>, up: Readonly<Vec3> = UP): Vec3 {
    const by = this.lift(place, up)
    return [place[0] + by * up[0], place[1] + by * up[1], place[2] + by * up[2]]
  }

  /** A dimension line between two places, moved aside, with extension lines from beside the things. */
  dimension(key: string, from: Vec3, to: Vec3, aside: Vec3, off: number, words: string): Dimension {
    const shifted = (p: Vec3, by: number): THREE.Vector3 => this.world(p.map((n, i) => n + aside[i] * by))
    return {
      key,
      from: shifted(from, off),
      to: shifted(to, off),
      fromFoot: shifted(from, 0.55),
      toFoot: shifted(to, 0.55),
      metres: Math.hypot(...from.map((n, i) => to[i] - n)),
      words,
    }
  }

  /** @param handed whether a thing has twins, so that its copies are told by their hands */
  dots(handed: (thing: number) => boolean): Handles['dots'] {
    const { table } = this.update
    const tops = new Map<number, number>()
    const dots: Handles['dots'][number][] = []
    if (table.count > MOST_DOTS) return []
    for (let row = 0; row < table.count; row++) {
      const thing = table.thing[row]
      if (!tops.has(thing)) tops.set(thing, this.supportOf(thing)([0, 1, 0]).high)
      const top = tops.get(thing)! * table.scale[3 * row + 1]
      const own = new THREE.Vector3(0, top, 0).applyQuaternion(
        new THREE.Quaternion().fromArray(table.quaternion, 4 * row),
      )
      const twin = table.isTwin(row)
      dots.push({
        row,
        ...((twin || handed(thing)) && { hand: twin ? ('L' as const) : ('R' as const) }),
        at: this.world([
          table.position[3 * row] + own.x,
          table.position[3 * row + 1] + own.y,
          table.position[3 * row + 2] + own.z,
        ]),
      })
    }
    return dots
  }
}
