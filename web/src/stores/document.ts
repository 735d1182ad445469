import type { LengthUnit } from '@hilera/core/numbers/units'
import type { Part } from '@hilera/core/model/part'
import type { Pattern } from '@hilera/core/model/pattern'
import { emptyProject, type Project } from '@hilera/core/model/project'
import { followedEdges } from '@hilera/core/parts/edgeCurves'
import type { MeshLibrary, PartSource } from '@hilera/core/parts/partMesh'
import type { Mesh } from '@hilera/core/geometry/mesh'
import type { Problem } from '@hilera/core/words'
import type { Patch } from 'immer'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { type Asked, Judging } from './judging'
import { type Change, change as applyRecipe, type Recipe, redo as redoChange, undo as undoChange } from './history'

/** A change in the making, as while a value is dragged: shown at every step, one step of undo at the end. */
export interface Gesture {
  /** Applies a recipe to the document as it was when the gesture began; refused states are taken back and told. */
  update(recipe: Recipe): Promise<Problem | undefined>
  commit(): void
  /** Leaves nothing behind. */
  cancel(): void
}

/** Something added that is only tried out: it can be changed as ever, and is one step of undo in the end, or nothing. */
export interface Proposal {
  readonly label: string
  /** The pattern that is proposed, or that the proposal changes. */
  readonly patternId: string
  readonly past: readonly Change[]
  readonly future: readonly Change[]
}

/** The steps that lead to a state of the document, and those that were undone from it. */
export interface Trail {
  /** So many steps came before these, and are not known any more. */
  readonly first: number
  readonly past: readonly Change[]
  readonly future: readonly Change[]
}

type Listener = (patches: readonly Patch[] | 'all') => void

/** The document being worked on: changed by recipes, undone by their patches. Knows neither server nor worker. */
export const useDocument = defineStore('document', () => {
  const id = ref('')
  const project = shallowRef<Project>(emptyProject('Untitled arrangement'))
  const meshes = shallowRef<MeshLibrary>(new Map())
  /** Where the meshes of parts come from. */
  const source = computed<PartSource>(() => ({ parts: project.value.parts, meshes: meshes.value }))
  const past = shallowRef<readonly Change[]>([])
  const future = shallowRef<readonly Change[]>([])
  const gesture = shallowRef<Gesture>()
  const proposal = shallowRef<Proposal>()
  const listeners = new Set<Listener>()
  const leftListeners = new Set<(left: Project, steps: number) => void>()

  /** The document as it was when it last was whole and taken: no half of a gesture, nothing that is only proposed. */
  const whole = shallowRef(project.value)
  let wholeTrail: Trail = { first: 0, past: [], future: [] }
  /** So many steps from before are not known any more; so many had been done when it was opened. */
  const first = ref(0)
  const openedAt = ref(0)

  const unit = computed<LengthUnit>(() => project.value.unit)
  const undoLabel = computed(() => past.value.at(-1)?.label)
  const redoLabel = computed(() => future.value.at(-1)?.label)

  function tell(patches: readonly Patch[] | 'all'): void {
    for (const listener of listeners) listener(patches)
  }

  /** Calls back after every change with its patches, or 'all' when another document has been opened. */
  function onChange(listener: Listener): () => void {
    listeners.add(listener)
    return () => listeners.delete(listener)
  }

  /** Calls back with the document as it was before steps were undone that cannot be done again any more, and how many they are. */
  function onLeft(listener: (left: Project, steps: number) => void): () => void {
    leftListeners.add(listener)
    return () => leftListeners.delete(listener)
  }

  /** @param trail the steps that led to it, where they are known */
  function open(newId: string, document: Project, trail: Trail = { first: 0, past: [], future: [] }): void {
    gesture.value = undefined
    proposal.value = undefined
    id.value = newId
    project.value = document
    past.value = trail.past
    future.value = trail.future
    first.value = trail.first
    openedAt.value = trail.past.length
    judging.reset()
    rest()
    tell('all')
  }

  function addMeshes(added: ReadonlyMap<string, Mesh>): void {
    meshes.value = new Map([...meshes.value, ...added])
  }

  const judging = new Judging()
  /** Goes back to the last state of a gesture that was taken. */
  let refuseGesture: ((good: Change | undefined) => void) | undefined

  /** Says that changes will be judged from now on. */
  const beJudged = (): void => judging.begin()
  /** The document as it stands, to be worked out and judged. */
  const ask = (): Asked => judging.ask(project.value, past.value.length, gestureLatest)
  /** Whether the document as it stands has been worked out and taken. */
  const isAccepted = (): boolean => judging.isAccepted

  /**
   * Takes a state of the document, or takes it back: one in which a pattern that it touches cannot be placed any more is
   * refused with the sentence why, before it is ever drawn.
   *
   * @returns whether it was taken back
   */
  const judge = (asked: Asked, problems: ReadonlyMap<string, Problem>): boolean => {
    const reverted = judging.judge(asked, problems, revert)
    settle()
    return reverted
  }

  function settle(): void {
    if (!gesture.value && !proposal.value && isAccepted()) rest()
  }

  const trail = (): Trail => ({ first: first.value, past: past.value, future: future.value })

  function rest(): void {
    whole.value = project.value
    wholeTrail = trail()
  }

  /** The steps that lead to a state of the document; undefined where it is neither as it stands nor as it last was whole. */
  function trailTo(state: Project): Trail | undefined {
    if (state === whole.value) return wholeTrail
    return state === project.value && !gesture.value && !proposal.value ? trail() : undefined
  }

  /** Goes back to the state that was taken last; false where nothing leads there. */
  function revert(taken: Asked): boolean {
    judging.changed()
    if (refuseGesture) {
      refuseGesture(taken.latest)
      return true
    }
    const undone = past.value.slice(taken.depth)
    if (undone.length === 0) return false
    const patches = undone.toReversed().flatMap((step) => step.inverse)
    for (const step of undone.toReversed()) project.value = undoChange(project.value, step)
    past.value = past.value.slice(0, taken.depth)
    // What was done after the refused change can be done again.
    future.value = undone.slice(1).reverse()
    if (proposal.value && proposal.value.past.length >= past.value.length) proposal.value = undefined
    tell(patches)
    return true
  }

  /**
   * Makes one change, one step of undo. It is seen at once; should a pattern that it touches not be placed any more, it is
   * taken back with the sentence why.
   */
  function change(label: string, recipe: Recipe): Promise<Problem | undefined> {
    gesture.value?.commit()
    const made = applyRecipe(project.value, label, recipe, goesAlong)
    if (!made) return Promise.resolve(undefined)
    project.value = made.project
    record(made.change)
    const came = judging.verdict()
    tell(made.change.patches)
    return came
  }

  /** Curves along the edges of parts go along with the parts. */
  function goesAlong(next: Project, before: Project): Recipe | undefined {
    const followed = followedEdges(next, before, meshes.value)
    if (followed.length === 0) return undefined
    return (draft) => {
      for (const { of, at, curve } of followed) {
        const { layout, shape } = draft[of][at] as Partial<Pattern & Part>
        Object.assign(layout ?? shape!, { curve })
      }
    }
  }

  function record(made: Change): void {
    if (future.value.length > 0 && leftListeners.size > 0) {
      const left = future.value.reduceRight(redoChange, undoChange(project.value, made))
      for (const listener of leftListeners) listener(left, future.value.length)
    }
    past.value = [...past.value, made]
    future.value = []
  }

  let gestureLatest: Change | undefined

  const begin = (label: string): Gesture => beginFrom(label, undefined)

  /** Takes the last step up again, to be done otherwise: what comes of it takes its place. */
  function reopen(): Gesture | undefined {
    gesture.value?.commit()
    const last = past.value.at(-1)
    if (!last || proposal.value) return undefined
    past.value = past.value.slice(0, -1)
    return beginFrom(last.label, last)
  }
  const lastStep = computed(() => past.value.at(-1))

  /** @param from a step that is shown already, and belongs to the gesture */
  function beginFrom(label: string, from: Change | undefined): Gesture {
    gesture.value?.commit()
    const base = from ? undoChange(project.value, from) : project.value
    let latest: Change | undefined = from
    gestureLatest = from
    const show = (next: Change | undefined, document: Project): void => {
      const patches = [...(latest?.inverse ?? []), ...(next?.patches ?? [])]
      latest = gestureLatest = next
      if (patches.length === 0) return
      project.value = document
      tell(patches)
    }
    const end = (): void => {
      gesture.value = undefined
      gestureLatest = undefined
      refuseGesture = undefined
    }
    const running: Gesture = {
      update(recipe) {
        const made = applyRecipe(base, label, recipe, goesAlong)
        // Where nothing changes there is nothing to be worked out, and nobody would answer.
        if (!made && !latest) return Promise.resolve(undefined)
        const came = judging.verdict()
        show(made?.change, made?.project ?? base)
        return came
      },
      commit() {
        const made = latest
        end()
        if (made) record(made)
        settle()
      },
      cancel() {
        judging.changed()
        show(from, from ? redoChange(base, from) : base)
        end()
        if (from) past.value = [...past.value, from]
      },
    }
    gesture.value = running
    refuseGesture = (good) => {
      show(good, good ? redoChange(base, good) : base)
    }
    return running
  }

  /** What takes the gesture that goes on back. */
  const ghost = (): Patch[] => gestureLatest?.inverse ?? []

  /** Tries something out: the change is made, but stays a proposal until it is accepted. A proposal before it is accepted. */
  function propose(label: string, patternId: string, recipe: Recipe): Promise<Problem | undefined> {
    gesture.value?.commit()
    accept()
    const before = { label, patternId, past: past.value, future: future.value }
    const came = change(label, recipe)
    if (past.value !== before.past) proposal.value = before
    return came
  }

  /** Makes the proposal and everything done since one step of undo. */
  function accept(): void {
    const made = proposal.value
    if (!made) return
    gesture.value?.commit()
    proposal.value = undefined
    const steps = past.value.slice(made.past.length)
    const patches = steps.flatMap((step) => step.patches)
    const inverse = steps.toReversed().flatMap((step) => step.inverse)
    past.value = [...made.past, { label: made.label, patches, inverse }]
    settle()
  }

  /** Takes the proposal back, and what was done to it; nothing of it is left, not even to be redone. */
  function leave(): void {
    const made = proposal.value
    if (!made) return
    gesture.value?.cancel()
    while (past.value.length > made.past.length) undoLast()
    proposal.value = undefined
    future.value = made.future
  }

  function undo(): void {
    if (gesture.value) return gesture.value.cancel()
    if (proposal.value && past.value.length === proposal.value.past.length + 1) return leave()
    undoLast()
  }

  function undoLast(): void {
    const last = past.value.at(-1)
    if (!last) return
    project.value = undoChange(project.value, last)
    past.value = past.value.slice(0, -1)
    future.value = [...future.value, last]
    judging.changed()
    tell(last.inverse)
  }

  function redo(): void {
    const next = future.value.at(-1)
    if (!next || gesture.value) return
    project.value = redoChange(project.value, next)
    future.value = future.value.slice(0, -1)
    past.value = [...past.value, next]
    judging.changed()
    tell(next.patches)
  }

  /** All steps that are known, in order, those that are undone behind those that are done. */
  const steps = computed(() => [...past.value, ...future.value.toReversed()].map(({ label }) => label))
  /** So many of them are done. */
  const stepsDone = computed(() => past.value.length)

  /** Goes to the state after so many steps; what is being tried out is left. It is seen and saved as one change. */
  function goTo(count: number): void {
    gesture.value?.cancel()
    leave()
    const patches: (readonly Patch[])[] = []
    let document = project.value
    const [done, undone] = [[...past.value], [...future.value]]
    while (done.length > Math.max(count, 0)) {
      const step = done.pop()!
      document = undoChange(document, step)
      undone.push(step)
      patches.push(step.inverse)
    }
    while (done.length < count && undone.length > 0) {
      const step = undone.pop()!
      document = redoChange(document, step)
      done.push(step)
      patches.push(step.patches)
    }
    if (patches.length === 0) return
    project.value = document
    past.value = done
    future.value = undone
    judging.changed()
    tell(patches.flat())
  }

  return {
    id,
    project,
    meshes,
    source,
    unit,
    gesture,
    proposal,
    undoLabel,
    redoLabel,
    whole,
    open,
    addMeshes,
    change,
    begin,
    reopen,
    lastStep,
    ghost,
    propose,
    accept,
    leave,
    undo,
    redo,
    steps,
    stepsDone,
    first,
    openedAt,
    trailTo,
    goTo,
    onChange,
    onLeft,
    beJudged,
    ask,
    isAccepted,
    judge,
  }
})
