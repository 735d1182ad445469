import type { Vec3 } from '@hilera/core/values/values'
import type { Placing } from '@hilera/core/instances'
import { inWorld } from '@hilera/core/model/inWorld'
import * as THREE from 'three'
import type { useGrip } from '../placing/grip'
import type { Catch, useMotionDrag } from '../placing/motionDrag'
import { useTools } from '../placing/tools'
import type { Copies, Hit } from '../stage/copies/copies'
import type { Underneath } from '../stage/underneath'
import type { Viewer } from '../stage/viewer'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { type Picked, usePicking } from '../stores/picking'
import { useSelection } from '../stores/selection'
import { type Catchable, type Caught, catchWords, caughtBy, caughtOfPoints, caughtOnGround } from './catching'
import { curvePointsOf } from './curvePoints'
import { usePlanCatching } from './planCatching'
import type { useLasso } from './lasso'
import type { useStageDrag } from './stageDrag'

/** Clicks on the stage: they pick copies, begin to drag what is picked, or answer what is asked for. */
export function useStagePicks(
  stage: () => {
    viewer: Viewer | undefined
    copies: Copies | undefined
    underneath: Underneath | undefined
    canvas: HTMLCanvasElement | null
    dotStep: number
  },
  grip: ReturnType<typeof useGrip>,
  motion: ReturnType<typeof useMotionDrag>,
  drag: ReturnType<typeof useStageDrag>,
  lasso: ReturnType<typeof useLasso>,
) {
  const document = useDocument()
  const outcomes = useOutcomes()
  const selection = useSelection()
  const picking = usePicking()
  const tools = useTools()
  const { caughtOfPlans } = usePlanCatching()
  let pressed: { x: number; y: number; button: number } | undefined

  function down(event: PointerEvent): void {
    const { viewer, copies, canvas } = stage()
    if (event.target !== canvas && !picking.active) return
    pressed = { x: event.clientX, y: event.clientY, button: event.button }
    drag.moved.value = false
    motion.hasMoved.value = false
    if (!picking.active && event.button === 0 && lasso.begin(event)) return
    if (picking.active || event.button !== 0 || event.altKey || !viewer || !copies || !grip.grip.value) return
    const hit = copies.pick(viewer.ray(event.clientX, event.clientY))
    const table = hit && outcomes.byId.get(hit.patternId)?.table
    if (!hit || !table || !grip.holds(hit.patternId, table.keyOf(hit.row))) return
    // What is picked is dragged; the camera does not hear of it.
    event.stopPropagation()
    motion.free(event, new THREE.Vector3(...caughtOf(event, hit, viewer).at), (now) => catchAt(now, viewer, copies))
  }

  function up(event: PointerEvent): void {
    const { viewer, copies } = stage()
    const still =
      pressed && pressed.button === 0 && Math.hypot(event.clientX - pressed.x, event.clientY - pressed.y) < 4
    pressed = undefined
    if (!still || drag.moved.value || motion.hasMoved.value || lasso.drawn.value || !viewer || !copies) return
    const hit = copies.pick(viewer.ray(event.clientX, event.clientY))
    if (picking.asking) return answer(event, hit, viewer)
    // Beside everything nothing is picked any more; adding to a pick leaves it.
    if (!hit) return void (selection.patternId && !event.shiftKey && selection.pickPattern(selection.patternId))
    const table = outcomes.byId.get(hit.patternId)?.table
    if (!table) return
    const key = table.keyOf(hit.row)
    if (event.altKey && grip.giveMark(hit.patternId, key)) return
    selection.clickCopy(hit.patternId, key, event)
  }

  const wants = (what: Catchable): boolean => tools.catches.includes(what)

  /** What is caught of a copy. */
  function caughtOf(event: MouseEvent, hit: Hit, viewer: Viewer): Caught {
    const table = outcomes.byId.get(hit.patternId)?.table
    const pattern = document.project.patterns.find((p) => p.id === hit.patternId)
    const pivot = table && pattern ? inWorld(pattern, table.placingOf(hit.row)).move : ([0, 0, 0] as Vec3)
    return caughtBy(hit, viewer, event.clientX, event.clientY, pivot, tools.isCatching ? wants : () => false)
  }

  /** The point of a curve that lies under the pointer; `isHeld` says of a pattern that it is dragged itself. */
  function caughtOfCurves(
    { clientX, clientY }: MouseEvent,
    viewer: Viewer,
    isHeld: (patternId: string) => boolean = () => false,
  ): { readonly at: Vec3; readonly name: string } | undefined {
    if (!tools.isCatching || !wants('curves')) return undefined
    let best: { at: Vec3; away: number; name: string } | undefined
    for (const pattern of document.project.patterns) {
      const points = pattern.hidden || isHeld(pattern.id) ? [] : curvePointsOf(pattern)
      const caught = caughtOfPoints(points, viewer, clientX, clientY)
      if (caught && (!best || caught.away < best.away)) best = { ...caught, name: pattern.name }
    }
    return best
  }

  /** What lies under the pointer to be caught, named; copies that are dragged catch nothing of each other. */
  function catchAt(event: MouseEvent, viewer: Viewer, copies: Copies): Catch | undefined {
    if (!tools.isCatching) return undefined
    const isHeld = (patternId: string, row: number): boolean => {
      const key = outcomes.byId.get(patternId)?.table.keyOf(row)
      return key !== undefined && grip.holds(patternId, key)
    }
    const onCurve = caughtOfCurves(event, viewer, grip.holdsPattern)
    if (onCurve)
      return { at: new THREE.Vector3(...onCurve.at), words: `${catchWords.curves.one} of ${onCurve.name} caught` }
    const hit = copies.pick(viewer.ray(event.clientX, event.clientY), isHeld)
    const onPlan = hit ? undefined : caughtOfPlans(event, viewer, stage().underneath, wants)
    if (onPlan) return { at: new THREE.Vector3(...onPlan.at), words: `${onPlan.words} caught` }
    const caught = hit
      ? caughtOf(event, hit, viewer)
      : caughtOnGround(viewer, event.clientX, event.clientY, stage().dotStep, wants)
    if (!caught || !wants(caught.what)) return undefined
    const name = hit && document.project.patterns.find((p) => p.id === hit.patternId)?.name
    return {
      at: new THREE.Vector3(...caught.at),
      words: `${catchWords[caught.what].one}${hit ? ` of ${name} ${hit.row + 1}` : ''} caught`,
    }
  }

  /** The part that was hit: as exactly as the table says where the copy is that part, and as it is drawn inside a whole. */
  function partOf({ part, patternId, row, matrix }: Hit): Pick<Picked, 'part'> {
    const table = outcomes.byId.get(patternId)?.table
    const pattern = document.project.patterns.find((p) => p.id === patternId)
    const id = outcomes.worked.parts[part]?.id
    if (!table || !pattern || id === undefined) return {}
    if (table.thing[row] === part)
      return { part: { id, stands: inWorld(pattern, table.placingOf(row)), isTwin: table.isTwin(row) } }
    const [move, turn, size] = [new THREE.Vector3(), new THREE.Quaternion(), new THREE.Vector3()]
    matrix.decompose(move, turn, size)
    const isTwin = size.x < 0
    const stands: Placing = {
      move: move.toArray(),
      turn: turn.toArray() as Placing['turn'],
      size: [Math.abs(size.x), size.y, size.z],
    }
    return { part: { id, stands, isTwin } }
  }

  /** What was caught of the copy that was hit, or the place on the view's plane through the origin. */
  function answer(event: PointerEvent, hit: Hit | undefined, viewer: Viewer): void {
    const onCurve = caughtOfCurves(event, viewer)
    if (onCurve) return picking.asking?.answer({ point: onCurve.at })
    const onPlan = hit || !tools.isCatching ? undefined : caughtOfPlans(event, viewer, stage().underneath, wants)
    if (onPlan) return picking.asking?.answer({ point: onPlan.at })
    const ground = stage().underneath?.pick(viewer.ray(event.clientX, event.clientY))
    if (ground && (!hit || ground.distance < hit.distance)) {
      const at = ground.point.toArray()
      return picking.asking?.answer({ point: at, normal: ground.normal.toArray(), onFace: at })
    }
    const table = hit && outcomes.byId.get(hit.patternId)?.table
    if (hit && table) {
      return picking.asking?.answer({
        point: caughtOf(event, hit, viewer).at,
        copy: { patternId: hit.patternId, slot: table.keyOf(hit.row) },
        ...partOf(hit),
        normal: hit.normal.toArray(),
        onFace: viewer.ray(event.clientX, event.clientY).at(hit.distance, new THREE.Vector3()).toArray(),
      })
    }
    const caught =
      tools.isCatching &&
      caughtOnGround(viewer, event.clientX, event.clientY, stage().dotStep, (w) => w === 'lines' && wants(w))
    const at = viewer.onPlane(event.clientX, event.clientY, new THREE.Vector3(), viewer.dragNormal())
    const whole = (n: number): number => Math.round(n * 1000) / 1000
    if (at) picking.asking?.answer({ point: caught ? caught.at : [whole(at.x), whole(at.y), whole(at.z)] })
  }

  return { down, up }
}
