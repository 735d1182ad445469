import { useEventListener } from '@vueuse/core'
import { computed, shallowRef } from 'vue'
import { useGroupEdits } from '../groups/groupEdits'
import { usePickEdits } from '../picking/pickEdits'
import type { Copies } from '../stage/copies/copies'
import type { Viewer } from '../stage/viewer'
import { useOutcomes } from '../stores/outcomes'
import { usePicking } from '../stores/picking'
import { useSelection } from '../stores/selection'
import { useView } from '../stores/view'
import { type ScreenPlace, boundsOf, enclosed, meet, rectangle, touched } from './outlines'

/**
 * Picking copies by an outline that is drawn on the stage: a rectangle, or freely. With Shift they are added to what is picked,
 * with Alt taken away. Esc gives it up. Where an outline was asked for, it is the answer.
 */
export function useLasso(viewerOf: () => Viewer | undefined, copiesOf: () => Copies | undefined) {
  const view = useView()
  const outcomes = useOutcomes()
  const selection = useSelection()
  const picks = usePickEdits()
  const groups = useGroupEdits()
  const picking = usePicking()
  const drawn = shallowRef<readonly ScreenPlace[]>()
  let free: ScreenPlace[] = []
  /** The pointer draws, instead of picking one. */
  const isOn = computed(() => view.picker !== 'one' || picking.drawing !== undefined)

  const placeOf = (event: PointerEvent, viewer: Viewer): ScreenPlace => {
    const { left, top } = viewer.canvas.getBoundingClientRect()
    return { x: event.clientX - left, y: event.clientY - top }
  }

  /** Begins where the pointer is pressed; false where it only picks one. */
  function begin(event: PointerEvent): boolean {
    const viewer = viewerOf()
    if (!viewer || !isOn.value) return false
    // The camera does not hear of it.
    event.stopPropagation()
    const start = placeOf(event, viewer)
    free = [start]
    const target = event.currentTarget as HTMLElement
    target.setPointerCapture(event.pointerId)
    const stops = [
      useEventListener(target, 'pointermove', (now: PointerEvent) => {
        const at = placeOf(now, viewer)
        if (Math.hypot(at.x - free[free.length - 1].x, at.y - free[free.length - 1].y) >= 3) free.push(at)
        if (free.length > 1) drawn.value = view.picker === 'outline' ? [...free] : rectangle(start, at)
      }),
      useEventListener(target, 'pointerup', (now: PointerEvent) => finish(now)),
      useEventListener(window, 'keydown', (now: KeyboardEvent) => now.key === 'Escape' && end()),
    ]
    function end(): void {
      for (const stop of stops) stop()
      // After the stage has heard of the pointer going up, so that this does not count as a click.
      setTimeout(() => (drawn.value = undefined))
    }
    function finish(now: PointerEvent): void {
      const outline = drawn.value
      end()
      if (!outline || outline.length <= 2) return
      if (picking.drawing) picking.drawing.answer(viewer!.region(outline))
      else take(outline, now)
    }
    return true
  }

  function take(outline: readonly ScreenPlace[], event: PointerEvent): void {
    const [viewer, copies] = [viewerOf(), copiesOf()]
    if (!viewer || !copies) return
    const found = new Map<string, Set<string>>()
    const left = new Map<string, Set<string>>()
    const about = boundsOf(outline)
    const onScreen = viewer.screen()
    let [asked, table, locked] = ['', outcomes.byId.get('')?.table, false]
    copies.eachBox((patternId, row, corners) => {
      if (patternId !== asked) {
        asked = patternId
        table = outcomes.byId.get(patternId)?.table
        // What is locked is not picked by area.
        locked = groups.lockedBy(patternId) !== undefined
      }
      const places = onScreen(corners)
      if (!places || !table || locked) return
      // Most are nowhere near the outline.
      const near = meet(about, boundsOf(places))
      if (!near && view.touching) return
      const inside = near && (view.touching ? touched(places, outline) : enclosed(places, outline))
      // A copy of several parts is enclosed when all of them are.
      const list = inside ? found : view.touching ? undefined : left
      if (list) put(list, patternId, table.keyOf(row))
    })
    for (const [id, keys] of left) for (const key of keys) found.get(id)?.delete(key)
    if (!event.shiftKey && !event.altKey) selection.pickPattern(selection.patternId)
    picks.take(found, event.altKey ? 'away' : event.shiftKey ? 'add' : 'only')
  }

  return { begin, drawn, isOn }
}

function put(list: Map<string, Set<string>>, id: string, key: string): void {
  const keys = list.get(id)
  if (keys) keys.add(key)
  else list.set(id, new Set([key]))
}
