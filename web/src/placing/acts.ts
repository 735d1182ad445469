import { dot, minus, plus, times } from '@hilera/core/geometry/vec'
import { type Placeable } from '@hilera/core/placing/body'
import type { ActDefinition } from '@hilera/core/placing/definition'
import { putPlaced } from '@hilera/core/placing/exactly'
import { type Proposed, keyOf } from '@hilera/core/placing/proposed'
import { type Act, type ActKind, acts } from '@hilera/core/placing/registry'
import { type Making, type Original, originalsOf } from '@hilera/core/placing/several'
import type { Project } from '@hilera/core/model/project'
import type { Sentence } from '@hilera/core/words'
import { twinIn } from '../links/separateEdits'
import { newId } from '../names'
import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { type Gesture, useDocument } from '../stores/document'
import { PATIENCE, useOutcomes } from '../stores/outcomes'
import type { Change } from '../stores/history'
import { usePicking } from '../stores/picking'
import { usePicked } from './picked'

type Values = { [K in ActKind]: (typeof acts)[K]['begin'] }
const definitionOf = (kind: ActKind): ActDefinition<object> => acts[kind] as unknown as ActDefinition<object>
const neutral = Object.fromEntries(Object.entries(acts).map(([kind, { begin }]) => [kind, begin])) as Values

/**
 * Acts on what is picked. While one is open its sentence stands with the picked things, and the stage shows what it comes to:
 * Enter accepts it as one step of undo, Esc leaves it and nothing of it stays. What was just done, also by dragging a pin, can
 * be said otherwise as often as wanted: the step is done anew each time. The values of the last time are remembered.
 */
export const useActs = defineStore('acts', () => {
  const document = useDocument()
  const outcomes = useOutcomes()
  const picked = usePicked()
  const picking = usePicking()
  /** The act that is only shown as yet. */
  const open = ref<ActKind>()
  /** The act that was done last, the step that it made, and of what. */
  const last = shallowRef<{ readonly kind: ActKind; readonly step: Change; readonly things: string }>()
  const values = useLocalStorage<Values>('hilera.acts', neutral, {
    mergeDefaults: (stored, all) => merged(all, stored),
    shallow: true,
  })
  /** A thing of the stage with which they are lined up, where one was chosen. */
  const other = shallowRef<Placeable>()
  const came = shallowRef<Proposed>()
  const problem = shallowRef<Sentence>()
  /** Whether it takes longer than one waits without being told. */
  const isWorking = ref(false)
  let gesture: Gesture | undefined
  /** What was asked last, of which things, beside which: what came, or comes, is of this. */
  let sought: readonly unknown[] = []
  let dirty = false
  let running: Promise<void> | undefined

  const key = computed(() => picked.things.map(keyOf).join('|'))
  /** The act whose sentence is shown: the open one, or the last one while nothing has been done since. */
  const shown = computed<ActKind | undefined>(() => {
    const done = last.value
    return open.value ?? (done && document.lastStep === done.step && done.things === key.value ? done.kind : undefined)
  })
  const act = computed<Act | undefined>(
    () => open.value && ({ kind: open.value, how: values.value[open.value] } as Act),
  )
  const lead = computed(() =>
    act.value?.kind === 'lineUp' && act.value.how.to === 'thing' ? (other.value ?? picked.marked) : picked.marked,
  )
  const isNeutral = computed(() => {
    const kind = shown.value
    return !kind || sameValues(values.value[kind], neutralOf(kind))
  })

  const neutralOf = (kind: ActKind): object =>
    definitionOf(kind).neutral?.(values.value[kind]) ?? definitionOf(kind).begin

  /** Opens an act on what is picked, with the values of the last time. */
  function begin(kind: ActKind): void {
    leave()
    other.value = undefined
    put(kind, definitionOf(kind).again?.(values.value[kind]) ?? values.value[kind])
    capture()
    open.value = kind
    void refresh()
    if (kind === 'seat') void askFace()
  }
  /** Asks for the face on which things are to stand. */
  async function askFace(): Promise<void> {
    const at = await picking.place('Click the face to put them on')
    const { normal, onFace } = at ?? {}
    if (at && normal && onFace) {
      // What was caught may lie under the face, as a pivot does: it is brought up to it.
      const below = dot(normal, minus(onFace, at.point))
      setHow('seat', { ...values.value.seat, at: plus(at.point, times(normal, below)), normal: [...normal] })
    } else if (open.value === 'seat' && values.value.seat.normal.every((n) => n === 0)) leave()
  }
  const put = (kind: ActKind, how: object): void => void (values.value = { ...values.value, [kind]: how })
  /** Says an act otherwise: the open one, or the one that was just done, which is done anew. */
  function setHow(kind: ActKind, how: object): void {
    if (open.value !== kind && shown.value !== kind) return
    put(kind, how)
    if (open.value) return
    gesture = document.reopen()
    open.value = kind
    void refresh().then(accept)
  }
  const reset = (): void => void (shown.value && setHow(shown.value, neutralOf(shown.value)))

  const seek = (): readonly unknown[] => [act.value, picked.things, lead.value]
  const isSought = (): boolean => seek().every((it, k) => it === sought[k])
  watch(seek, () => open.value && !isSought() && void refresh())
  // Whatever else is done to the document ends it: what was shown has become a step of its own then.
  watch(
    () => document.gesture,
    (now) => {
      if (gesture && now !== gesture) close()
    },
  )

  /** What is made again as it stood when the act was opened, and the names that what is made has each time. */
  let originals: readonly Original[] = []
  let run = ''
  function capture(): void {
    run = newId('more').slice(5)
    originals = originalsOf(
      { project: outcomes.worked, outcomes: outcomes.patterns, supportOf: outcomes.supportOf },
      picked.things,
    )
  }
  function making(project: Project): Making {
    const { things } = outcomes
    return {
      idOf: (kind, number) => `${kind}-${run}-${number.toString(36)}`,
      thingOf: (thing) => things[thing].id,
      twinOf: (thing) => twinIn(project, things[thing].id),
    }
  }

  /** Shows what the act comes to; the newest values win. */
  function refresh(): Promise<void> {
    dirty = true
    running ??= work()
    return running
  }
  async function work(): Promise<void> {
    const patience = setTimeout(() => (isWorking.value = true), PATIENCE)
    try {
      while (dirty && act.value) await once(act.value)
    } finally {
      clearTimeout(patience)
      isWorking.value = false
      // With the last look at what is new, so that nothing comes in between unseen.
      running = undefined
    }
  }
  async function once(asked: Act): Promise<void> {
    dirty = false
    sought = seek()
    const { things } = picked
    const { needs, undo } = acts[asked.kind]
    if (things.length < needs) {
      gesture?.cancel()
      gesture = undefined
      came.value = undefined
      problem.value = [needs > 1 ? 'Pick at least two things.' : 'Pick something first.']
      return
    }
    const made = await outcomes.act(asked, things, lead.value)
    if (!isSought()) {
      dirty = act.value !== undefined
      return
    }
    problem.value = made.ok ? undefined : made.problem.says
    came.value = made.ok ? made.value : undefined
    gesture ??= document.begin(undo)
    const { make } = definitionOf(asked.kind)
    if (make && made.ok) {
      await gesture.update((project) => make(project, originals, asked.how, making(project)))
      return
    }
    // A refusal moves nothing: what was shown before goes back.
    const refused = await gesture.update((project) => made.ok && putPlaced(project, made.value.placed))
    if (refused && isSought()) problem.value = refused.says
  }

  function close(): void {
    gesture = undefined
    sought = []
    dirty = false
    open.value = undefined
    came.value = undefined
    problem.value = undefined
  }
  /**
   * Makes it a step of undo, which can be said otherwise until something else is done. What is being worked out is waited for: what
   * is shown until then was asked before.
   */
  async function accept(): Promise<void> {
    const asked = open.value
    await (isSought() ? running : refresh())
    if (open.value !== asked) return
    const [made, kind, result] = [gesture, open.value, came.value]
    if (!kind || problem.value || !result) return
    const before = document.lastStep
    close()
    made?.commit()
    came.value = result
    const step = document.lastStep
    last.value = step && step !== before ? { kind, step, things: key.value } : undefined
  }
  function leave(): void {
    const made = gesture
    close()
    made?.cancel()
  }

  /** Follows a drag: every value is shown at once, the last one is accepted as it ends. */
  function drag(kind: ActKind): { show(change: (how: object) => object): void; end(): void } {
    begin(kind)
    const base = values.value[kind]
    let isShown = false
    return {
      show(change) {
        if (open.value !== kind) return
        isShown = true
        put(kind, change(base))
      },
      end: () => void (isShown ? refresh().then(accept) : leave()),
    }
  }

  return {
    open,
    shown,
    act,
    values,
    setHow,
    put,
    reset,
    askFace,
    isNeutral,
    other,
    came,
    problem,
    isWorking,
    begin,
    accept,
    leave,
    drag,
  }
})

function merged(all: Values, stored: Partial<Values>): Values {
  return Object.fromEntries(
    Object.entries(all).map(([kind, begin]) => [kind, { ...begin, ...stored[kind as ActKind] }]),
  ) as Values
}
const sameValues = (a: object, b: object): boolean => JSON.stringify(a) === JSON.stringify(b)
