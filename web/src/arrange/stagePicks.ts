import type { Vec3 } from '@hilera/core/values/values'
import { fromTurns, rotate } from '@hilera/core/geometry/rotation'
import * as THREE from 'three'
import { useCopyEdits } from '../patterns/copyEdits'
import type { Copies, Hit } from '../stage/copies'
import type { Viewer } from '../stage/viewer'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { usePicking } from '../stores/picking'
import { useSelection } from '../stores/selection'
import { caughtBy } from './catching'
import type { useLasso } from './lasso'
import type { useStageDrag } from './stageDrag'

/** Clicks on the stage: they pick copies, begin to drag the one that is picked, or answer what is asked for. */
export function useStagePicks(
  stage: () => { viewer: Viewer | undefined; copies: Copies | undefined; canvas: HTMLCanvasElement | null },
  drag: ReturnType<typeof useStageDrag>,
  lasso: ReturnType<typeof useLasso>,
) {
  const document = useDocument()
  const outcomes = useOutcomes()
  const selection = useSelection()
  const picking = usePicking()
  const copyEdits = useCopyEdits()
  let pressed: { x: number; y: number; button: number } | undefined

  function down(event: PointerEvent): void {
    const { viewer, copies, canvas } = stage()
    if (event.target !== canvas && !picking.active) return
    pressed = { x: event.clientX, y: event.clientY, button: event.button }
    drag.moved.value = false
    if (!picking.active && event.button === 0 && lasso.begin(event)) return
    if (picking.active || event.button !== 0 || !viewer || !copies || selection.slot === undefined) return
    const hit = copies.pick(viewer.ray(event.clientX, event.clientY))
    if (!hit || hit.patternId !== selection.patternId || hit.row !== copyEdits.row.value) return
    // The picked copy is dragged; the camera does not hear of it.
    event.stopPropagation()
    drag.copy(event, viewer.ray(event.clientX, event.clientY).at(hit.distance, new THREE.Vector3()))
  }

  function up(event: PointerEvent): void {
    const { viewer, copies } = stage()
    const still =
      pressed && pressed.button === 0 && Math.hypot(event.clientX - pressed.x, event.clientY - pressed.y) < 4
    pressed = undefined
    if (!still || drag.moved.value || lasso.drawn.value || !viewer || !copies) return
    const hit = copies.pick(viewer.ray(event.clientX, event.clientY))
    if (picking.asking) return answer(event, hit, viewer)
    // Beside everything nothing is picked any more; adding to a pick leaves it.
    if (!hit) return void (selection.patternId && !event.shiftKey && selection.pickPattern(selection.patternId))
    const table = outcomes.byId.get(hit.patternId)?.table
    if (!table) return
    const key = table.keyOf(hit.row)
    if (event.shiftKey || event.ctrlKey || event.metaKey) selection.toggleCopy(hit.patternId, key)
    else selection.pickCopy(hit.patternId, key)
  }

  /** What was caught of the copy that was hit, or the place on the view's plane through the origin. */
  function answer(event: PointerEvent, hit: Hit | undefined, viewer: Viewer): void {
    const table = hit && outcomes.byId.get(hit.patternId)?.table
    const pattern = hit && document.project.patterns.find((p) => p.id === hit.patternId)
    if (hit && table && pattern) {
      const own = rotate(fromTurns(pattern.place.turn), [
        table.position[3 * hit.row],
        table.position[3 * hit.row + 1],
        table.position[3 * hit.row + 2],
      ])
      const pivot = own.map((n, i) => n + pattern.place.move[i]) as Vec3
      return picking.asking?.answer({
        point: caughtBy(hit, viewer, event.clientX, event.clientY, pivot),
        copy: { patternId: hit.patternId, slot: table.keyOf(hit.row) },
        normal: hit.normal.toArray(),
      })
    }
    const at = viewer.onPlane(event.clientX, event.clientY, new THREE.Vector3(), viewer.dragNormal())
    const whole = (n: number): number => Math.round(n * 1000) / 1000
    if (at) picking.asking?.answer({ point: [whole(at.x), whole(at.y), whole(at.z)] })
  }

  return { down, up }
}
