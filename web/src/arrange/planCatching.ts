import { pictureKey } from '@hilera/core/parts/partMesh'
import type { DrawnLines, drawnLines } from '@hilera/core/plans/drawnLines'
import { watch } from 'vue'
import type { Plan } from '@hilera/core/plans/plan'
import type { Vec3 } from '@hilera/core/values/values'
import type { Underneath } from '../stage/underneath'
import type { Viewer } from '../stage/viewer'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { type Catchable, caughtOfPieces, caughtOfPoints } from './catching'

export interface CaughtOnPlan {
  readonly at: Vec3
  /** What it is: "corner of Floor plan". */
  readonly words: string
}

const known = new WeakMap<Plan, DrawnLines>()
const isDrawing = (plan: Plan): boolean => plan.mime === 'image/svg+xml'
/** Taken in when the first drawing lies under an arrangement. */
let drawn: typeof drawnLines | undefined

/** Corners and lines of the drawings under the arrangement. */
export function usePlanCatching() {
  const document = useDocument()
  const outcomes = useOutcomes()

  watch(
    () => document.project.plans.some(isDrawing),
    async (isThere) => {
      if (isThere) drawn ??= (await import('@hilera/core/plans/drawnLines')).drawnLines
    },
    { immediate: true },
  )

  function linesOf(plan: Plan): DrawnLines | undefined {
    const before = known.get(plan)
    const bytes = outcomes.source.meshes.get(pictureKey(plan.file))?.pictures?.[0]?.bytes
    if (before || !bytes || !drawn) return before
    const lines = drawn(plan, new TextDecoder().decode(bytes))
    known.set(plan, lines)
    return lines
  }

  /** The corner or the place on a line under the pointer; straight over or under it on a ground, where there is one. */
  function caughtOfPlans(
    { clientX, clientY }: MouseEvent,
    viewer: Viewer,
    underneath: Underneath | undefined,
    wants: (what: Catchable) => boolean,
  ): CaughtOnPlan | undefined {
    for (const plan of document.project.plans) {
      const lines = plan.hidden || !isDrawing(plan) ? undefined : linesOf(plan)
      if (!lines) continue
      const corner = wants('corners') ? caughtOfPoints(lines.corners, viewer, clientX, clientY) : undefined
      const found = corner ?? (wants('edges') ? caughtOfPieces(lines.pieces, viewer, clientX, clientY) : undefined)
      if (!found) continue
      const [x, , z] = found.at
      const ground = plan.lies === 'ground' ? underneath?.placeAt(x, z) : undefined
      return { at: ground ? [x, ground[0], z] : found.at, words: `${corner ? 'corner' : 'line'} of ${plan.name}` }
    }
    return undefined
  }
  return { caughtOfPlans }
}
