import { formatAngle, formatLength, formatNumber } from '@hilera/core/numbers/format'
import type { Motion } from '@hilera/core/placing/motion'
import type { Several } from '@hilera/core/placing/several'
import { useEventListener } from '@vueuse/core'
import * as THREE from 'three'
import { ref, shallowRef } from 'vue'
import { followPointer } from '../patterns/dragGesture'
import { dragged } from '../sentences/fields'
import { nudgeStep } from '../sentences/steps'
import type { Viewer } from '../stage/viewer'
import { useDocument } from '../stores/document'
import { useActs } from './acts'
import { type Grip, type MotionPin, turnAbout } from './handles'
import { useMeetings } from './meetings'

const names = ['across', 'up', 'deep'] as const
const TURN_STEP = Math.PI / 36
const FINE_TURN = Math.PI / 1800
/** Along an axis an outline is caught from so many pixels away, about one a facing from so many radians. */
const NEAR = 7
const NEAR_TURN = Math.PI / 90

/** What was caught: where the thing that is dragged would touch, named. */
export interface Catch {
  readonly at: THREE.Vector3
  readonly words: string
}
/** Looks for something to catch near the pointer. */
export type Catcher = (event: PointerEvent) => Catch | undefined

type Change = { readonly change: (how: never) => object; readonly words: string }

/** Dragging the pins of what is picked, and what is picked itself. Its figures are shown at the pointer, and typed with Enter. */
export function useMotionDrag(viewerOf: () => Viewer | undefined) {
  const document = useDocument()
  const acts = useActs()
  const meetings = useMeetings()
  const note = shallowRef<{ x: number; y: number; words: string }>()
  /** Whether the pointer went far enough to be no click. */
  const hasMoved = ref(false)

  /** @param keys what a key changes meanwhile, by the key */
  function follow(
    event: PointerEvent,
    of: (now: PointerEvent) => Change | undefined,
    kind: 'move' | 'several' = 'move',
    keys: Readonly<Record<string, () => void>> = {},
  ): void {
    let live: ReturnType<typeof acts.drag> | undefined
    let last: PointerEvent | undefined
    hasMoved.value = false
    function move(now: PointerEvent): void {
      hasMoved.value = true
      last = now
      live ??= acts.drag(kind)
      if (acts.open !== kind) return end()
      const made = of(now)
      const frame = viewerOf()?.canvas.getBoundingClientRect()
      if (!made || !frame) return
      live.show((how) => made.change(how as never))
      note.value = { x: now.clientX - frame.left, y: now.clientY - frame.top, words: made.words }
    }
    const unheard = useEventListener(
      window,
      'keydown',
      (key: KeyboardEvent) => {
        const does = keys[key.key.toLowerCase()]
        if (!does || !last) return
        key.preventDefault()
        key.stopImmediatePropagation()
        does()
        move(last)
      },
      { capture: true },
    )
    const end = followPointer(event, {
      move,
      release: () => live?.end(),
      cancel: () => acts.leave(),
      ended() {
        unheard()
        note.value = undefined
      },
    })
  }

  const step = (event: PointerEvent): number => (event.altKey ? 1e-6 : nudgeStep('length', document.unit))
  const whole = (n: number, by: number): number => Math.round(n / by) / Math.round(1 / by)
  const length = (n: number): string => formatLength(n, document.unit)

  function pin(event: PointerEvent, grabbed: MotionPin, grip: Grip): void {
    if (event.button !== 0) return
    if (grabbed.does === 'turn') return turn(event, grabbed.axes[0], grip)
    if (grabbed.does === 'size') return size(event, grabbed, grip)
    if (grabbed.another) return another(event, grabbed.at)
    if (grabbed.axes.length === 3) return free(event, grabbed.at)
    const normal = grip.axes.find((_, i) => !grabbed.axes.includes(i))!
    const along = grabbed.axes.map((i) => grip.axes[i])
    const at = (now: PointerEvent): number[] | undefined => {
      const viewer = viewerOf()
      if (!viewer) return undefined
      if (along.length === 1) {
        const gone = viewer.alongLine(now.clientX, now.clientY, grabbed.at, along[0])
        return gone === undefined ? undefined : [gone]
      }
      const p = viewer.onPlane(now.clientX, now.clientY, grabbed.at, normal)
      return p && along.map((axis) => axis.dot(p.clone().sub(grabbed.at)))
    }
    const first = at(event)
    const met = along.length === 1 ? meetings.along(along[0].toArray()) : undefined
    const near = NEAR * (viewerOf()?.metresPerPixel(grabbed.at) ?? 0)
    dragged(`By ${names[grabbed.axes[0]]}`)
    follow(event, (now) => {
      const to = at(now)
      if (!to || !first) return undefined
      const by = [0, 0, 0] as Motion['by']
      grabbed.axes.forEach((i, k) => (by[i] = whole(to[k] - first[k], step(now))))
      const caught = now.altKey ? undefined : met?.(to[0] - first[0], near)
      if (caught) by[grabbed.axes[0]] = caught.by
      const gone = grabbed.axes.map((i) => `${length(by[i])} ${names[i]}`).join(', ')
      return {
        change: (how: Motion) => ({ ...how, by }),
        words: caught ? `${caught.words}, ${gone}` : gone,
      }
    })
  }

  /** Over the ground, or in the plane of a flat view; straight up with Shift. It catches what lies under the pointer. */
  function free(event: PointerEvent, at: THREE.Vector3, catcher?: Catcher): void {
    const viewer = viewerOf()
    if (!viewer || event.button !== 0) return
    const UP = new THREE.Vector3(0, 1, 0)
    const flat = viewer.onPlane(event.clientX, event.clientY, at, viewer.dragNormal())
    const upright = viewer.alongLine(event.clientX, event.clientY, at, UP)
    follow(event, (now) => {
      const caught = now.altKey ? undefined : catcher?.(now)
      const unit = step(now)
      const by = (
        caught
          ? caught.at.clone().sub(at).toArray()
          : now.shiftKey
            ? [0, whole((viewer.alongLine(now.clientX, now.clientY, at, UP) ?? 0) - (upright ?? 0), unit), 0]
            : (viewer.onPlane(now.clientX, now.clientY, at, viewer.dragNormal()) ?? at)
                .clone()
                .sub(flat ?? at)
                .toArray()
                .map((n) => whole(n, unit))
      ) as Motion['by']
      const most = by.reduce((m, n, i) => (Math.abs(n) > Math.abs(by[m]) ? i : m), 0)
      dragged(`By ${names[most]}`)
      return {
        change: (how: Motion) => ({ ...how, axes: 'world', by }),
        words: caught
          ? `${caught.words}, ${length(Math.hypot(...by))} away`
          : `moved ${by.map((n, i) => `${length(n)} ${names[i]}`).join(', ')}${now.shiftKey ? '' : ' · Shift: up and down'}`,
      }
    })
  }

  /** A copy is made, and dragged over the ground, linked or with a part of its own; how many more is typed after it. */
  function another(event: PointerEvent, at: THREE.Vector3): void {
    const viewer = viewerOf()
    const from = viewer?.onPlane(event.clientX, event.clientY, at, viewer.dragNormal())
    if (!viewer || !from) return
    dragged('How many more')
    let { linked } = acts.values.several
    follow(
      event,
      (now) => {
        const to = viewer.onPlane(now.clientX, now.clientY, at, viewer.dragNormal())
        if (!to) return undefined
        const unit = step(now)
        const by = to
          .sub(from)
          .toArray()
          .map((n) => whole(n, unit)) as Motion['by']
        const [is, other] = linked ? ['linked', 'own part'] : ['own part', 'linked']
        return {
          change: (how: Several) => ({ ...how, by, count: 1, where: 'before', linked }),
          words: `another, ${is} (L: ${other}), ${by.map((n, i) => `${length(n)} ${names[i]}`).join(', ')}`,
        }
      },
      'several',
      { l: () => void (linked = !linked) },
    )
  }

  function turn(event: PointerEvent, axis: number, grip: Grip): void {
    const viewer = viewerOf()
    if (!viewer) return
    const [a, b] = [grip.axes[(axis + 1) % 3], grip.axes[(axis + 2) % 3]]
    const angleAt = (now: PointerEvent): number | undefined => {
      const p = viewer.onPlane(now.clientX, now.clientY, grip.center, grip.axes[axis])
      if (!p) return undefined
      p.sub(grip.center)
      return Math.atan2(p.dot(b), p.dot(a))
    }
    const first = angleAt(event)
    let [before, gone] = [first ?? 0, 0]
    const met = meetings.about(grip.axes[axis].toArray())
    dragged(`Turn by, about ${names[axis]}`)
    follow(event, (now) => {
      const to = angleAt(now)
      if (to === undefined || first === undefined) return undefined
      // Round and round: each move adds the short way.
      gone += Math.atan2(Math.sin(to - before), Math.cos(to - before))
      before = to
      const by = now.altKey ? FINE_TURN : TURN_STEP
      const caught = now.altKey ? undefined : met(gone, NEAR_TURN)
      const angle = caught?.by ?? Math.round(gone / by) * by
      const how = caught ? caught.words : `steps of ${formatAngle(by)}${now.altKey ? '' : ', Alt: finer'}`
      return {
        change: (now: Motion) => ({ ...now, turn: turnAbout(axis, angle) }),
        words: `${formatAngle(angle)} about ${names[axis]} · ${how}`,
      }
    })
  }

  function size(event: PointerEvent, { axes, at }: MotionPin, grip: Grip): void {
    const viewer = viewerOf()
    const outward = at.clone().sub(grip.center).normalize()
    const start = viewer?.alongLine(event.clientX, event.clientY, grip.center, outward)
    dragged(axes.length === 3 ? 'Size by' : `Size by, ${names[axes[0]]}`)
    follow(event, (now) => {
      const to = viewer?.alongLine(now.clientX, now.clientY, grip.center, outward)
      if (to === undefined || start === undefined || Math.abs(start) < 1e-9) return undefined
      const by = now.altKey ? 1000 : 100
      const factor = Math.max(0.01, Math.round((to / start) * by) / by)
      const sizes = [0, 1, 2].map((i) => (axes.includes(i) ? factor : 1)) as Motion['size']
      return {
        change: (how: Motion) => ({ ...how, size: sizes }),
        words: `${formatNumber(factor * 100, 1)} % ${axes.length === 3 ? 'evenly' : axes.map((i) => names[i]).join(', ')}`,
      }
    })
  }

  return { note, hasMoved, pin, free }
}
