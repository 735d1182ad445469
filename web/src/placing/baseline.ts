import { offBaseline, takeBaseline } from '@hilera/core/placing/baseline'
import { bodiesOf } from '@hilera/core/placing/body'
import { putPlaced } from '@hilera/core/placing/exactly'
import type { Problem } from '@hilera/core/words'
import { defineStore } from 'pinia'
import { computed } from 'vue'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { usePicked } from './picked'

/** Beyond so many it is not told live how far they are from their baseline. */
const MOST_TOLD = 5000

/** Places that are taken as the ones to come back to, kept with the document. */
export const useBaseline = defineStore('baseline', () => {
  const document = useDocument()
  const outcomes = useOutcomes()
  const picked = usePicked()
  const bodies = () =>
    bodiesOf({ project: outcomes.worked, outcomes: outcomes.patterns, supportOf: outcomes.supportOf }, picked.things)

  /** How far what is picked is from its baseline; undefined where it has none. */
  const off = computed(() => {
    const { patterns } = document.project
    if (picked.things.length > MOST_TOLD || !patterns.some((p) => p.baseline)) return undefined
    return offBaseline(outcomes.worked, bodies())
  })

  function take(): void {
    const all = bodies()
    document.change('take their places as baseline', (project) => takeBaseline(project, all))
  }
  /** @returns why they cannot go back */
  async function goBack(): Promise<Problem | undefined> {
    const made = await outcomes.baseline(picked.things)
    if (!made.ok) return made.problem
    return document.change('back to the baseline', (project) => putPlaced(project, made.value))
  }

  return { off, take, goBack }
})
