import { formatAngle, formatLength, sentenceText } from '@hilera/core/numbers/format'
import type { Pattern } from '@hilera/core/model/pattern'
import type { Reflect } from '@hilera/core/steps/reflect/schema'
import type { Vec3 } from '@hilera/core/values/values'
import { fromTurns, inverse, rotate } from '@hilera/core/geometry/rotation'
import { moveInSlot, touchUpCopy } from '@hilera/core/patternEdits'
import { takeHold } from '@hilera/core/spacing/hold'
import * as THREE from 'three'
import { ref, shallowRef } from 'vue'
import { useCopyEdits } from '../patterns/copyEdits'
import { useDragGesture } from '../patterns/dragGesture'
import { isLine, type LinePattern, useLineEdits } from '../patterns/lineEdits'
import { useReflectionEdits } from '../mirrors/mirrorEdits'
import { planeCatches } from './catching'
import { pinEdit } from './pinEdits'
import { usePatternEdits } from '../patterns/patternEdits'
import { dragged } from '../sentences/fields'
import { nudgeStep } from '../sentences/steps'
import type { Copies } from '../stage/copies'
import type { Handles, Pin } from '../stage/handles'
import type { Viewer } from '../stage/viewer'
import { type Gesture, useDocument } from '../stores/document'
import type { Recipe } from '../stores/history'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'

/** The value of the sentence that a pin changes. */
const fieldOf: Readonly<Record<string, string>> = {
  pitch: 'Spacing',
  end: 'Room',
  more: 'Count',
  pitchAcross: 'Spacing across',
  pitchDeep: 'Spacing deep',
  endAcross: 'Room across',
  endDeep: 'Room deep',
  radius: 'Radius',
  start: 'Start angle',
  sweep: 'Angle',
  width: 'Width of the outline',
  depth: 'Depth of the outline',
}

/** With Ctrl a dragged point takes along those that lie within so many pixels of it, softly. */
const SOFT_PIXELS = 180

const UP = new THREE.Vector3(0, 1, 0)

/** Dragging on the stage: pins of the picked pattern, and the picked copy. One drag is one step of undo; Esc leaves nothing. */
export function useStageDrag(viewerOf: () => Viewer | undefined, copiesOf: () => Copies | undefined) {
  const document = useDocument()
  const outcomes = useOutcomes()
  const selection = useSelection()
  const copyEdits = useCopyEdits()
  const patternEdits = usePatternEdits()
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
      const problem = gesture.update(made.recipe)
      const frame = viewerOf()?.canvas.getBoundingClientRect()
      const words = problem ? sentenceText(problem.says, document.unit) : made.words()
      if (frame) note.value = { x: now.clientX - frame.left, y: now.clientY - frame.top, words }
    }
    drag(event, label, move, () => (note.value = undefined))
  }

  /** The pointer's way since the start: in the plane that the view shows, straight up with Shift, on whole steps without Alt. */
  function offsetFrom(at: THREE.Vector3, first: PointerEvent): (now: PointerEvent) => Vec3 | undefined {
    const flat = viewerOf()?.onPlane(first.clientX, first.clientY, at, viewerOf()!.dragNormal())
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
      const to = viewer.onPlane(now.clientX, now.clientY, at, viewer.dragNormal())
      return to && flat ? [whole(to.x - flat.x), whole(to.y - flat.y), whole(to.z - flat.z)] : undefined
    }
  }

  const told = ([x, y, z]: Vec3): string =>
    `${formatLength(x, document.unit)} across, ${formatLength(y, document.unit)} up, ${formatLength(z, document.unit)} deep`

  function pin(event: PointerEvent, grabbed: Pin, handles: Handles): void {
    const { pattern } = selection
    const viewer = viewerOf()
    if (!pattern || !viewer || event.button !== 0) return
    if (grabbed.name === 'move') return movePattern(event, grabbed.at)
    if (grabbed.name === 'turn') return turnPattern(event, handles.origin)
    if (grabbed.name.startsWith('plane ')) return movePlane(event, grabbed, pattern)
    const { along } = grabbed
    dragged(fieldOf[grabbed.name] ?? '')
    const start = along && viewer.alongLine(event.clientX, event.clientY, grabbed.at, along)
    /** How far the pointer has gone along the pin's line. */
    const goneAlong = (now: PointerEvent): number | undefined => {
      const to = along && viewer.alongLine(now.clientX, now.clientY, grabbed.at, along)
      return to === undefined || start === undefined ? undefined : to - start
    }
    if (isLine(pattern)) return linePin(event, grabbed, pattern, goneAlong)
    const base = { layout: pattern.layout, laid: outcomes.byId.get(pattern.id)?.laid }
    if (!base.laid) return
    const offset = offsetFrom(grabbed.at, event)
    const turn = fromTurns(pattern.place.turn)
    follow(event, `${grabbed.words || 'outline'} of ${pattern.name}`, (now) => {
      const over = along ? undefined : offset(now)
      const own = over && rotate(inverse(turn), over)
      const step = now.altKey ? 1e-6 : nudgeStep('length', document.unit)
      const whole = (n: number): number => Math.round(n / step) / Math.round(1 / step)
      const edit = pinEdit(base.layout, base.laid!, grabbed.name, {
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
          words: () =>
            sentenceText(outcomes.byId.get(pattern.id)?.facts ?? [], document.unit)
              .split(' · ')
              .slice(0, 3)
              .join(' · '),
        }
      )
    })
  }

  function linePin(
    event: PointerEvent,
    grabbed: Pin,
    pattern: LinePattern,
    goneAlong: (now: PointerEvent) => number | undefined,
  ): void {
    const line = useLineEdits(() => pattern)
    const base = line.answer()
    if (!base) return
    const facts = (): string => {
      const out = outcomes.byId.get(pattern.id)?.laid
      if (out?.kind !== 'line') return ''
      return `${out.count} copies, ${pattern.layout.measure} ${formatLength(out.spacing, document.unit)}, run ${formatLength(out.run, document.unit)}`
    }
    const step = nudgeStep('length', document.unit)
    const length = (now: PointerEvent, from: number): number | undefined => {
      const gone = goneAlong(now)
      if (gone === undefined) return undefined
      return now.altKey ? from + gone : Math.round((from + gone) / step) * step
    }
    if (grabbed.name === 'pitch') {
      return follow(event, `${pattern.layout.measure} of ${pattern.name}`, (now) => {
        const distance = length(now, base.at(1) - base.at(0))
        return distance === undefined
          ? undefined
          : { recipe: line.recipe(line.spacingThatPuts(1, distance, base)), words: facts }
      })
    }
    if (grabbed.name === 'end') {
      return follow(event, `room of ${pattern.name}`, (now) => {
        const room = length(now, base.room)
        return room === undefined ? undefined : { recipe: line.recipe((l) => takeHold(l, 'room', room)), words: facts }
      })
    }
    const pitch =
      base.count > 1
        ? (base.at(base.count - 1) - base.at(0)) / (base.count - 1)
        : base.ruler.pitch(0, 0, pattern.layout.spacing)
    follow(event, `count of ${pattern.name}`, (now) => {
      const gone = goneAlong(now)
      if (gone === undefined || !(pitch > 0)) return undefined
      const count = Math.max(1, base.count + Math.round(gone / pitch))
      return { recipe: line.recipe(line.countAtSpacing(count, base)), words: facts }
    })
  }

  /** Moves a mirror plane along its normal; it catches the faces and middles of copies, and its origin. */
  function movePlane(event: PointerEvent, grabbed: Pin, pattern: Pattern): void {
    const viewer = viewerOf()!
    const [, index, step] = grabbed.name.split(' ')
    const along = grabbed.along!
    const start = viewer.alongLine(event.clientX, event.clientY, grabbed.at, along)
    const own = step === undefined ? pattern.layout : pattern.steps.find((s) => s.id === step)
    const plane = own && 'planes' in own ? own.planes[Number(index)] : undefined
    if (start === undefined || !plane) return
    dragged(Number(index) === 0 ? 'Offset of the plane' : `Offset of the plane, plane ${Number(index) + 1}`)
    const edits = useReflectionEdits(
      () => pattern,
      () => pattern.steps.find((s) => s.kind === 'reflect' && s.id === step) as Reflect | undefined,
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
      const recipe = edits.recipe((r) => void (r.planes[Number(index)].offset = offset))
      return { recipe, words: () => `${formatLength(offset, document.unit)} off${caught ? ', caught' : ''}` }
    })
  }

  function movePattern(event: PointerEvent, at: THREE.Vector3): void {
    const pattern = selection.pattern!
    const start = [...pattern.place.move]
    const offset = offsetFrom(at, event)
    follow(event, `place of ${pattern.name}`, (now) => {
      const by = offset(now)
      if (!by) return undefined
      const recipe = patternEdits.recipe(pattern.id, (p) =>
        by.forEach((n, i) => (p.place.move[i] = Math.round((start[i] + n) * 1e9) / 1e9)),
      )
      return { recipe, words: () => `moved ${told(by)}${now.shiftKey ? '' : ' · Shift: up and down'}` }
    })
  }

  function turnPattern(event: PointerEvent, origin: THREE.Vector3): void {
    const pattern = selection.pattern!
    const viewer = viewerOf()!
    const angleAt = (at: PointerEvent): number | undefined => {
      const p = viewer.onPlane(at.clientX, at.clientY, origin, UP)
      return p && Math.atan2(-(p.z - origin.z), p.x - origin.x)
    }
    const first = angleAt(event)
    if (first === undefined) return
    follow(event, `turn of ${pattern.name}`, (now) => {
      const to = angleAt(now)
      if (to === undefined) return undefined
      const step = now.altKey ? Math.PI / 1800 : Math.PI / 36
      const by = Math.round((to - first) / step) * step
      const turned = Math.atan2(Math.sin(pattern.place.turn[1] + by), Math.cos(pattern.place.turn[1] + by))
      const whole = Math.round(turned / step) * step
      return {
        recipe: patternEdits.recipe(pattern.id, (p) => void (p.place.turn[1] = whole)),
        words: () => `turned to ${formatAngle(whole)} about up · Alt: finer`,
      }
    })
  }

  /** Drags the picked copy: its offset in its slot's own axes. */
  function copy(event: PointerEvent, at: THREE.Vector3): void {
    const { pattern, slot, outcome } = selection
    const row = copyEdits.row.value
    if (!pattern || slot === undefined || row === undefined || !outcome) return
    const q = outcome.table.quaternion.subarray(4 * row, 4 * row + 4)
    const touch = pattern.touchUps[slot] ?? {}
    const offset = offsetFrom(at, event)
    follow(event, copyEdits.label('move'), (now) => {
      const by = offset(now)
      if (!by) return undefined
      const own = moveInSlot(pattern, [q[0], q[1], q[2], q[3]], touch.turn, by)
      const move = own.map((n, i) => Math.round(((touch.move?.[i] ?? 0) + n) * 1e9) / 1e9) as Vec3
      const recipe: Recipe = (project) => {
        const found = project.patterns.find((p) => p.id === pattern.id)
        if (found) touchUpCopy(found, slot, { move })
      }
      return { recipe, words: () => `moved ${told(by)}${now.shiftKey ? '' : ' · Shift: up and down'}` }
    })
  }

  return { note, moved, pin, copy }
}
