import type { Vec3 } from '../values/values'
import type { Hand } from './hands'
import type { Plane } from '../geometry/isometry'

/** A mirror plane in its pattern's axes, and the box about the pivots of what it mirrors, to draw it about. */
export interface DrawnPlane extends Plane {
  /** Which plane of its mirror it is, and of which step; of the layout where there is none. */
  readonly index: number
  readonly step?: string
  readonly low: Vec3
  readonly high: Vec3
}

/** What mirrors of a pattern make of a part's shape; the normal of the plane in which it is symmetric. */
export interface ShapeNote {
  readonly id: string
  readonly hand: Hand['kind']
  readonly normal?: Vec3
}

/** What is told of a pattern's mirrors, gathered while it is worked out. */
export interface MirrorNotes {
  readonly planes: readonly DrawnPlane[]
  readonly shapes: readonly ShapeNote[]
}

export class MirrorNoting {
  private readonly planes: DrawnPlane[] = []
  private readonly shapes = new Map<string, ShapeNote>()

  plane(plane: DrawnPlane): void {
    this.planes.push(plane)
  }

  /** The latest mirror that asks about a shape is the one that is told. */
  shape(id: string, hand: Hand): void {
    this.shapes.set(id, { id, hand: hand.kind, ...(hand.kind === 'symmetric' && { normal: hand.plane.normal }) })
  }

  /** Everything so far; undefined where nothing is mirrored. */
  get told(): MirrorNotes | undefined {
    return this.planes.length > 0 ? { planes: this.planes, shapes: [...this.shapes.values()] } : undefined
  }
}
