import { formatAngle, formatLength, sentenceText } from '@hilera/core/numbers/format'
import type { Pattern } from '@hilera/core/model/pattern'
import { lockOf } from '@hilera/core/model/grouping'
import { useEventListener } from '@vueuse/core'
import { type Vec3, axes } from '@hilera/core/values/values'
import { fromTurns, inverse, rotate } from '@hilera/core/geometry/rotation'
import * as THREE from 'three'
import { ref, shallowRef } from 'vue'
import { useDragGesture } from '../patterns/dragGesture'
import { reflectionOf, useReflectionEdits } from '../mirrors/mirrorEdits'
import { planeCatches } from './catching'
import { usePatternEdits } from '../patterns/patternEdits'
import { dragged } from '../sentences/fields'
import { nudgeStep } from '../sentences/steps'
import type { Copies } from '../stage/copies/copies'
import type { Handles } from '../stage/handles'
import type { Pin } from '../stage/pins'
import { dragNote } from '../layouts'

import type { Viewer } from '../stage/viewer'
import { type Gesture, useDocument } from '../stores/document'
import type { Recipe } from '../stores/history'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'
import { type Under, useUnderEdits } from '../under/underEdits'
import { planeOf } from '../under/underHandles'

/** With Ctrl a dragged point takes along those that lie within so many pixels of it, softly. */
const SOFT_PIXELS = 180

const UP = new THREE.Vector3(0, 1, 0)
const GROUND = planeOf()

/** The axis along which a way leads most, so that its value is the one to type. */
const mostly = (by: Readonly<Vec3>): string =>
  axes[by.reduce((most, n, i) => (Math.abs(n) > Math.abs(by[most]) ? i : most), 0)]

/** What is moved over its plane, and turned in it. */
interface Placed {
  readonly name: string
  readonly move: Readonly<Vec3>
  readonly turn: number
  /** To the right and upward in its plane at no turn, and out of it. */
  readonly about: readonly [THREE.Vector3, THREE.Vector3, THREE.Vector3]
  /** The fields of its sentence that are typed after it, by their labels. */
  readonly field: string
  readonly angle: string
  readonly moved: (to: Vec3) => Recipe
  readonly turned: (to: number) => Recipe
}

type PlanePin = Extract<Pin, { does: 'plane' }>

/** Dragging on the stage: pins of the picked pattern. One drag is one step of undo; Esc leaves nothing. */
export function useStageDrag(viewerOf: () => Viewer | undefined, copiesOf: () => Copies | undefined) {
  const document = useDocument()
  const outcomes = useOutcomes()
  const selection = useSelection()
  const patternEdits = usePatternEdits()
  const underEdits = useUnderEdits()
  const drag = useDragGesture()
  /** What the drag comes to, beside the pointer. */
  const note = shallowRef<{ x: number; y: number; words: string }>()
  const moved = ref(false)

  /** Follows the pointer; `edit` gives the recipe for where it is and the words that say what it comes to. */
  function follow(
    event: PointerEvent,
    label: string,
    edit: (now: PointerEvent) => { recipe: Recipe; words: () => string } | undefined,
  ): void {
    moved.value = false
    const move = (now: PointerEvent, gesture: Gesture): void => {
      moved.value = true
      const made = edit(now)
      if (!made) return
      const frame = viewerOf()?.canvas.getBoundingClientRect()
      if (!frame) return
      const at = { x: now.clientX - frame.left, y: now.clientY - frame.top }
      const latest = { ...at, words: made.words() }
      note.value = latest
      // What has come of it is known a moment later, or why it cannot be.
      void gesture.update(made.recipe).then((problem) => {
        if (note.value !== latest) return
        note.value = { ...at, words: problem ? sentenceText(problem.says, document.unit) : made.words() }
      })
    }
    drag(event, label, move, () => (note.value = undefined))
  }

  /**
   * The pointer's way since the start: in the plane that the view shows, straight up with Shift, on whole steps without Alt.
   *
   * @param stands the normal of the plane over which it is dragged in perspective instead of over the ground
   */
  function offsetFrom(
    at: THREE.Vector3,
    first: PointerEvent,
    stands?: THREE.Vector3,
  ): (now: PointerEvent) => Vec3 | undefined {
    const normalIn = (viewer: Viewer): THREE.Vector3 =>
      stands && viewer.view === 'perspective' ? stands : viewer.dragNormal()
    const flat = viewerOf()?.onPlane(first.clientX, first.clientY, at, normalIn(viewerOf()!))
    const upright = viewerOf()?.alongLine(first.clientX, first.clientY, at, UP)
    return (now) => {
      const viewer = viewerOf()
      if (!viewer) return undefined
      const step = now.altKey ? 1e-6 : nudgeStep('length', document.unit)
      const whole = (n: number): number => Math.round(n / step) * step
      if (now.shiftKey) {
        const to = viewer.alongLine(now.clientX, now.clientY, at, UP)
        return to === undefined || upright === undefined ? undefined : [0, whole(to - upright), 0]
      }
      const to = viewer.onPlane(now.clientX, now.clientY, at, normalIn(viewer))
      return to && flat ? [whole(to.x - flat.x), whole(to.y - flat.y), whole(to.z - flat.z)] : undefined
    }
  }

  const told = ([x, y, z]: Vec3): string =>
    `${formatLength(x, document.unit)} across, ${formatLength(y, document.unit)} up, ${formatLength(z, document.unit)} deep`

  function pin(event: PointerEvent, grabbed: Pin, handles: Handles): void {
    const { pattern } = selection
    const viewer = viewerOf()
    if (!pattern || !viewer || event.button !== 0) return
    const lockedBy = lockOf(document.project, pattern.id)
    if (lockedBy !== undefined) return saysLocked(event, lockedBy)
    if (grabbed.does === 'move') return drawOver(event, grabbed.at, placedPattern(pattern))
    if (grabbed.does === 'turn') return turnRound(event, handles.origin, placedPattern(pattern))
    if (grabbed.does === 'plane') return movePlane(event, grabbed, pattern)
    const { along } = grabbed
    dragged(grabbed.field)
    const start = along && viewer.alongLine(event.clientX, event.clientY, grabbed.at, along)
    /** How far the pointer has gone along the pin's line. */
    const goneAlong = (now: PointerEvent): number | undefined => {
      const to = along && viewer.alongLine(now.clientX, now.clientY, grabbed.at, along)
      return to === undefined || start === undefined ? undefined : to - start
    }
    const offset = offsetFrom(grabbed.at, event)
    const turn = fromTurns(pattern.place.turn)
    follow(event, `${grabbed.words || 'outline'} of ${pattern.name}`, (now) => {
      const over = along ? undefined : offset(now)
      const own = over && rotate(inverse(turn), over)
      const step = now.altKey ? 1e-6 : nudgeStep('length', document.unit)
      const whole = (n: number): number => Math.round(n / step) / Math.round(1 / step)
      const edit = grabbed.edit({
        along: goneAlong(now) ?? 0,
        across: own?.[0] ?? 0,
        up: own?.[1] ?? 0,
        soft: now.ctrlKey ? SOFT_PIXELS * viewer.metresPerPixel(grabbed.at) : 0,
        deep: own?.[2] ?? 0,
        whole: now.altKey ? (n) => n : whole,
      })
      return (
        edit && {
          recipe: patternEdits.recipe(pattern.id, (p) => edit(p.layout)),
          words: () => {
            const now = document.project.patterns.find((p) => p.id === pattern.id)
            return now ? dragNote(now.layout, outcomes.byId.get(pattern.id), document.unit) : ''
          },
        }
      )
    })
  }

  /** A press says why nothing moves, until the pointer is let go. */
  function saysLocked(event: PointerEvent, by: string): void {
    const frame = viewerOf()!.canvas.getBoundingClientRect()
    note.value = {
      x: event.clientX - frame.left,
      y: event.clientY - frame.top,
      words: `${by} is locked: unlock it in the list`,
    }
    useEventListener(window, 'pointerup', () => (note.value = undefined), { once: true })
  }

  /** Moves a mirror plane along its normal; it catches the faces and middles of copies, and its origin. */
  function movePlane(event: PointerEvent, grabbed: PlanePin, pattern: Pattern): void {
    const viewer = viewerOf()!
    const { index, step } = grabbed
    const along = grabbed.along!
    const start = viewer.alongLine(event.clientX, event.clientY, grabbed.at, along)
    const plane = reflectionOf(pattern, step)?.planes[index]
    if (start === undefined || !plane) return
    dragged(index === 0 ? 'Offset of the plane' : `Offset of the plane, plane ${index + 1}`)
    const edits = useReflectionEdits(
      () => pattern,
      () => step,
    )
    const catches = planeCatches(copiesOf(), along, pattern.id).map((n) => n - grabbed.at.dot(along))
    follow(event, `plane of ${pattern.name}`, (now) => {
      const to = viewer.alongLine(now.clientX, now.clientY, grabbed.at, along)
      if (to === undefined) return undefined
      const gone = to - start
      const near = catches.reduce((a, b) => (Math.abs(b - gone) < Math.abs(a - gone) ? b : a), Infinity)
      const caught = !now.altKey && Math.abs(near - gone) < 8 * viewer.metresPerPixel(grabbed.at)
      const nudge = now.altKey ? 1e-6 : nudgeStep('length', document.unit)
      const whole = Math.round((plane.offset + gone) / nudge) / Math.round(1 / nudge)
      const offset = caught ? Math.round((plane.offset + near) * 1e9) / 1e9 : whole
      const recipe = edits.recipe((r) => void (r.planes[index].offset = offset))
      return { recipe, words: () => `${formatLength(offset, document.unit)} off${caught ? ', caught' : ''}` }
    })
  }

  const placedPattern = (pattern: Pattern): Placed => ({
    name: pattern.name,
    move: pattern.place.move,
    turn: pattern.place.turn[1],
    about: GROUND,
    field: 'Start',
    angle: 'Turn about up',
    moved: (to) => patternEdits.recipe(pattern.id, (p) => void (p.place.move = to)),
    turned: (to) => patternEdits.recipe(pattern.id, (p) => void (p.place.turn[1] = to)),
  })
  const placedUnder = (thing: Under): Placed => ({
    name: thing.name,
    move: thing.move,
    turn: thing.turn,
    about: planeOf(thing),
    field: 'Place',
    angle: 'Turn',
    moved: (to) => underEdits.edit(thing.id, (u) => void (u.move = to)),
    turned: (to) => underEdits.edit(thing.id, (u) => void (u.turn = to)),
  })

  function drawOver(event: PointerEvent, at: THREE.Vector3, placed: Placed): void {
    const offset = offsetFrom(at, event, placed.about[2])
    follow(event, `place of ${placed.name}`, (now) => {
      const by = offset(now)
      if (!by) return undefined
      dragged(`${placed.field} ${mostly(by)}`)
      const to = placed.move.map((n, i) => Math.round((n + by[i]) * 1e9) / 1e9) as Vec3
      return {
        recipe: placed.moved(to),
        words: () => `moved ${told(by)}${now.shiftKey ? '' : ' · Shift: up and down'}`,
      }
    })
  }

  function turnRound(event: PointerEvent, origin: THREE.Vector3, placed: Placed): void {
    dragged(placed.angle)
    const viewer = viewerOf()!
    const [right, up, out] = placed.about
    const angleAt = (at: PointerEvent): number | undefined => {
      const p = viewer.onPlane(at.clientX, at.clientY, origin, out)?.sub(origin)
      return p && Math.atan2(p.dot(up), p.dot(right))
    }
    const first = angleAt(event)
    if (first === undefined) return
    follow(event, `turn of ${placed.name}`, (now) => {
      const to = angleAt(now)
      if (to === undefined) return undefined
      const step = now.altKey ? Math.PI / 1800 : Math.PI / 36
      const by = Math.round((to - first) / step) * step
      const turned = Math.atan2(Math.sin(placed.turn + by), Math.cos(placed.turn + by))
      const whole = Math.round(turned / step) * step
      const about = out.y === 1 ? ' about up' : ''
      return { recipe: placed.turned(whole), words: () => `turned to ${formatAngle(whole)}${about} · Alt: finer` }
    })
  }

  /** A pin of what lies under the arrangement. */
  function underPin(event: PointerEvent, grabbed: Pin, handles: Handles, thing: Under): void {
    if (event.button !== 0) return
    if (thing.locked) return saysLocked(event, thing.name)
    if (grabbed.does === 'move') drawOver(event, grabbed.at, placedUnder(thing))
    else turnRound(event, handles.origin, placedUnder(thing))
  }

  return { note, moved, pin, underPin }
}
