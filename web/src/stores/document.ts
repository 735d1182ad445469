import { checkPattern } from '@hilera/core/evaluate'
import type { LengthUnit } from '@hilera/core/numbers/units'
import { emptyProject, type Project } from '@hilera/core/model/project'
import type { MeshLibrary, PartSource } from '@hilera/core/parts/partMesh'
import type { Mesh } from '@hilera/core/geometry/mesh'
import type { Problem } from '@hilera/core/words'
import type { Patch } from 'immer'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { type Change, change as applyRecipe, type Recipe, redo as redoChange, undo as undoChange } from './history'

/** A change in the making, as while a value is dragged: shown at every step, one step of undo at the end. */
export interface Gesture {
  /** Applies a recipe to the document as it was when the gesture began; refused states are skipped and told. */
  update(recipe: Recipe): Problem | undefined
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

  function open(newId: string, document: Project): void {
    gesture.value = undefined
    proposal.value = undefined
    id.value = newId
    project.value = document
    past.value = []
    future.value = []
    tell('all')
  }

  function addMeshes(added: ReadonlyMap<string, Mesh>): void {
    meshes.value = new Map([...meshes.value, ...added])
  }

  /** The first pattern that could be placed before and cannot be any more. */
  function broken(before: Project, after: Project): Problem | undefined {
    for (const pattern of after.patterns) {
      const old = before.patterns.find((p) => p.id === pattern.id)
      if (old === pattern) continue
      const now = checkPattern(after, pattern, meshes.value)
      if (!now.ok && (!old || checkPattern(before, old, meshes.value).ok)) return now.problem
    }
    return undefined
  }

  /**
   * Makes one change, one step of undo. A change after which a pattern that it touches could not be placed any more is
   * refused with the sentence why, and nothing is changed.
   */
  function change(label: string, recipe: Recipe): Problem | undefined {
    gesture.value?.commit()
    const made = applyRecipe(project.value, label, recipe)
    if (!made) return undefined
    const problem = broken(project.value, made.project)
    if (problem) return problem
    project.value = made.project
    record(made.change)
    tell(made.change.patches)
    return undefined
  }

  function record(made: Change): void {
    past.value = [...past.value, made]
    future.value = []
  }

  function begin(label: string): Gesture {
    gesture.value?.commit()
    const base = project.value
    let latest: Change | undefined
    const show = (next: Change | undefined, document: Project): void => {
      const patches = [...(latest?.inverse ?? []), ...(next?.patches ?? [])]
      latest = next
      if (patches.length === 0) return
      project.value = document
      tell(patches)
    }
    const running: Gesture = {
      update(recipe) {
        const made = applyRecipe(base, label, recipe)
        if (!made) return void show(undefined, base)
        const problem = broken(base, made.project)
        if (!problem) show(made.change, made.project)
        return problem
      },
      commit() {
        gesture.value = undefined
        if (latest) record(latest)
      },
      cancel() {
        gesture.value = undefined
        show(undefined, base)
      },
    }
    gesture.value = running
    return running
  }

  /** Tries something out: the change is made, but stays a proposal until it is accepted. A proposal before it is accepted. */
  function propose(label: string, patternId: string, recipe: Recipe): Problem | undefined {
    gesture.value?.commit()
    accept()
    const before = { label, patternId, past: past.value, future: future.value }
    const problem = change(label, recipe)
    if (!problem && past.value !== before.past) proposal.value = before
    return problem
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
    tell(last.inverse)
  }

  function redo(): void {
    const next = future.value.at(-1)
    if (!next || gesture.value) return
    project.value = redoChange(project.value, next)
    future.value = future.value.slice(0, -1)
    past.value = [...past.value, next]
    tell(next.patches)
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
    open,
    addMeshes,
    change,
    begin,
    propose,
    accept,
    leave,
    undo,
    redo,
    onChange,
  }
})
