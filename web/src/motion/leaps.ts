import { picturesWithEnd } from '@hilera/core/motion/pictureTracks'
import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { useMoments } from '../stores/moments'
import { useOutcomes } from '../stores/outcomes'
import { WorkerEnded } from '../worker/client'

/** What leaps between two pictures, or is left out from one to the next: how often, and when for the first time. */
export interface Leaping {
  readonly leaps: number
  readonly leftOut: number
  /** In seconds. */
  readonly first: number
}

/** Looks through all pictures of the motion for copies that leap, one picture after another, while nothing else is asked. */
export const useLeaps = defineStore('leaps', () => {
  const outcomes = useOutcomes()
  const moments = useMoments()
  const found = shallowRef<ReadonlyMap<string, Leaping>>(new Map())
  /** The share of the pictures that were looked at; undefined where nobody is looking. */
  const progress = ref<number>()
  let run = 0

  async function look(): Promise<void> {
    const mine = ++run
    const of = outcomes.worked
    const all = new Map<string, Leaping>()
    found.value = all
    progress.value = undefined
    if (!moments.changes) return
    const count = picturesWithEnd(of.clock)
    try {
      for (let picture = 0; picture < count; picture++) {
        const told = await outcomes.leaps(picture)
        if (mine !== run || of !== outcomes.worked) return
        for (const { id, leaps, leftOut } of told) {
          const before = all.get(id) ?? { leaps: 0, leftOut: 0, first: picture / of.clock.rate }
          all.set(id, { ...before, leaps: before.leaps + leaps, leftOut: before.leftOut + leftOut })
        }
        progress.value = (picture + 1) / count
      }
      found.value = new Map(all)
    } catch (fault) {
      if (!(fault instanceof WorkerEnded)) throw fault
    } finally {
      if (mine === run) progress.value = undefined
    }
  }
  const stop = (): void => void run++
  return { found, progress, look, stop }
})
