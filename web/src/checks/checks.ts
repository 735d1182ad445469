import { touchUpCopy } from '@hilera/core/patternEdits'
import { defineStore } from 'pinia'
import { ref, shallowRef, watch } from 'vue'
import type { Finding, Fix } from '@hilera/core/findings/definition'
import { isStep } from '@hilera/core/steps/index'
import { useStepEdits } from '../steps/stepEdits'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'
import { useView } from '../stores/view'
import type { ChecksUpdate } from '../worker/messages'

/** What is wrong with the arrangement, in figures, with a way to show and to fix each. Looked for while its screen is open. */
export const useChecks = defineStore('checks', () => {
  const document = useDocument()
  const outcomes = useOutcomes()
  const selection = useSelection()
  const view = useView()
  const steps = useStepEdits()
  const open = ref(false)
  const result = shallowRef<ChecksUpdate>()
  const looking = ref(false)

  watch(
    () => [open.value, outcomes.settled, outcomes.patterns, selection.patternId] as const,
    async ([isOpen, settled, , patternId]) => {
      if (!isOpen || !settled) return
      looking.value = true
      const made = await outcomes.checks(patternId)
      if (outcomes.settled) {
        result.value = made
        looking.value = false
      }
    },
    { immediate: true },
  )

  const keysOf = ({ pattern, rows }: Finding): string[] => {
    const table = outcomes.byId.get(pattern)?.table
    return table ? rows.map((row) => table.keyOf(row)) : []
  }
  /** Picks what a finding is about and frames it. */
  function show(finding: Finding): void {
    selection.pickPattern(finding.pattern)
    selection.pickCopies(new Map([[finding.pattern, new Set(keysOf(finding))]]))
    view.frame('selection')
  }
  /** Does what a fix says about a finding. */
  function fix(finding: Finding, by: Fix): void {
    const pattern = document.project.patterns.find((p) => p.id === finding.pattern)
    if (!pattern) return
    if (by.by === 'step') return steps.add(pattern, by.step)
    const keys = keysOf(finding)
    document.change(`${by.words.toLowerCase()} in ${pattern.name}`, (project) => {
      const found = project.patterns.find((p) => p.id === pattern.id)
      if (found) for (const key of keys) touchUpCopy(found, key, { empty: true })
    })
  }
  /** Whether a fix has been made already, so that the finding is what is left. */
  function isFixed(finding: Finding, by: Fix): boolean {
    const pattern = document.project.patterns.find((p) => p.id === finding.pattern)
    return by.by === 'step' && (pattern?.steps.some((step) => isStep(by.step, step)) ?? false)
  }
  return { open, result, looking, show, fix, isFixed }
})
