import type { LaidOut, LayoutKind, LayoutOf } from '@hilera/core/layouts/index'
import type { LengthUnit } from '@hilera/core/numbers/units'
import type { Component } from 'vue'
import type { Drawing } from '../drawing/small'
import type { LayoutHandles, PatternAxes } from '../stage/handles'

export type LaidOf<K extends LayoutKind> = Extract<LaidOut, { kind: K }>

/** The web half of a layout's definition: how it is drawn, read and dragged. */
export interface LayoutView<K extends LayoutKind> {
  readonly drawing: Drawing
  /** What stands under its sentence: points in figures, what is clicked on the stage. */
  readonly after?: Component
  /** What is said under its sentence in place of its facts. */
  readonly facts?: Component
  /** How it is unrolled under the stage. */
  readonly strip: Component
  /** Its pins, dimension lines and guides on the stage. */
  handles?(layout: LayoutOf<K>, laid: LaidOf<K>, axes: PatternAxes): LayoutHandles
  /** What a drag has come to, beside the pointer; its first facts where it is absent. */
  note?(layout: LayoutOf<K>, laid: LaidOf<K>, unit: LengthUnit): string
}
