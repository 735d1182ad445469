import { changesInTime } from '@hilera/core/motion/changing'
import { Playing } from '@hilera/core/motion/playing'
import type { Project } from '@hilera/core/model/project'
import { defineStore } from 'pinia'
import { computed, shallowRef, watch } from 'vue'
import { WorkerEnded } from '../worker/client'
import { revived } from '../worker/revive'
import type { PatternUpdate } from '../worker/messages'
import { useOutcomes } from './outcomes'

/** What is to be seen of the project at a moment of its motion. */
export interface State {
  /** In seconds; absent where it is the same at every moment. */
  readonly time?: number
  readonly project: Project
  readonly patterns: readonly PatternUpdate[]
  readonly playing: Playing
}

/** The moments of a project of which numbers change in time: they are worked out beside the page, one after another. */
export const useMoments = defineStore('moments', () => {
  const outcomes = useOutcomes()
  const changes = computed(() => changesInTime(outcomes.worked))
  const still = computed<State>(() => ({
    project: outcomes.worked,
    patterns: outcomes.patterns,
    playing: new Playing(outcomes.worked, outcomes.patterns),
  }))
  const shown = shallowRef<{ readonly state: State; readonly of: Project }>()
  /** The last that came of each pattern: what is only named since is that. */
  const received = new Map<string, PatternUpdate>()
  let wanted: number | undefined
  let busy = false

  /** The project at the moment that was last worked out; as it stands where nothing changes, or none was yet. */
  const state = computed(() => (changes.value && shown.value?.of === outcomes.worked ? shown.value.state : still.value))

  async function worked(time: number): Promise<State> {
    const { patterns: all, project } = await outcomes.moment(time)
    const patterns = all.map((p) => ('unchanged' in p ? received.get(p.id)! : revived(p)))
    for (const pattern of patterns) received.set(pattern.id, pattern)
    return { time, project, patterns, playing: new Playing(project, patterns) }
  }
  async function pump(): Promise<void> {
    busy = true
    try {
      while (wanted !== undefined && changes.value) {
        const [time, of] = [wanted, outcomes.worked]
        wanted = undefined
        const state = await worked(time)
        // Whoever changed the document meanwhile wants its moment.
        if (of === outcomes.worked) shown.value = { state, of }
        else wanted ??= time
      }
    } catch (fault) {
      // A worker that ended is started anew, and the moment asked for again.
      if (!(fault instanceof WorkerEnded)) throw fault
    } finally {
      busy = false
    }
  }
  /** Asks for a moment, in seconds; of several the newest is worked out next. */
  function want(time: number): void {
    wanted = time
    if (!busy) void pump()
  }
  /** The project at a moment, for who draws picture by picture. */
  async function at(time: number): Promise<State> {
    if (!changes.value) return still.value
    const made = await worked(time)
    shown.value = { state: made, of: outcomes.worked }
    return made
  }
  watch(
    () => outcomes.worked,
    () => (shown.value = undefined),
  )
  return { changes, state, still, want, at }
})
