import type { Curve } from '@hilera/core/values/curve'
import type { Problem } from '@hilera/core/words'
import type { Recipe } from '../stores/history'

/** Something in the document that has a curve. */
export interface HasCurve {
  curve: Curve
}

/** Edits of what has the curve: a pattern's path, or a part that is made from one. */
export interface CurveEdits {
  recipe(edit: (holder: HasCurve) => void): Recipe
  change(what: string, edit: (holder: HasCurve) => void): Promise<Problem | undefined>
  /** What undo calls a change. */
  name(what: string): string
}
