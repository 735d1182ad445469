import type { Layout } from '@hilera/core/layouts/index'
import type * as THREE from 'three'

/** How far a pin has gone: along its line, or over the ground in the pattern's own axes; rounded to whole steps. */
export interface Way {
  readonly along: number
  readonly across: number
  readonly up: number
  readonly deep: number
  /** How far along the curve's points a drag reaches softly, in metres; 0 moves one point alone. */
  readonly soft: number
  /** Rounds a length to whole steps. */
  readonly whole: (metres: number) => number
}

/** What dragging a pin does. */
export type PinDoes =
  | { readonly does: 'move' }
  | { readonly does: 'turn' }
  /** Moves a mirror plane along its normal: that of a step, or of the layout. */
  | { readonly does: 'plane'; readonly index: number; readonly step?: string }
  | {
      readonly does: 'layout'
      /** The value of the sentence that it changes, by its label. */
      readonly field?: string
      /** The edit for how far it has gone; nothing where it cannot go there. */
      readonly edit: (way: Way) => ((layout: Layout) => void) | undefined
    }

/** Something to drag, on a stem with a word beside it. */
export type Pin = PinDoes & {
  readonly name: string
  readonly words: string
  /** Where its stem stands, in the world. */
  readonly at: THREE.Vector3
  /** The unit vector along which it is dragged, in the world; without one it is dragged over the ground. */
  readonly along?: THREE.Vector3
  /** A plain knob without stem and word, as on the points of an outline. */
  readonly plain?: boolean
}
