import { touchUpCopy } from '@hilera/core/patternEdits'
import { defineStore } from 'pinia'
import { ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import type { Finding, Fix } from '@hilera/core/findings/definition'
import { withIgnored } from '@hilera/core/findings/ignored'
import { freeName } from '@hilera/core/names'
import { isStep } from '@hilera/core/steps/index'
import { newId } from '../names'
import { removal } from '../stores/history'
import { useStepEdits } from '../steps/stepEdits'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'
import { useView } from '../stores/view'
import type { SpreadsUpdate } from '../worker/messages'

/** How copies are spread, measured while the screen is open; and a way to show and to fix what is wrong. */
export const useChecks = defineStore('checks', () => {
  const document = useDocument()
  const outcomes = useOutcomes()
  const selection = useSelection()
  const view = useView()
  const steps = useStepEdits()
  const router = useRouter()
  const open = ref(false)
  const spreads = shallowRef<SpreadsUpdate>()

  watch(
    () => [open.value, outcomes.settled, outcomes.patterns, selection.patternId] as const,
    async ([isOpen, settled, , patternId]) => {
      if (!isOpen || !settled) return
      const made = await outcomes.spreads(patternId)
      if (outcomes.settled) spreads.value = made
    },
    { immediate: true },
  )

  const keysOf = (id: string, rows: readonly number[]): Set<string> => {
    const table = outcomes.byId.get(id)?.table
    return new Set(table ? rows.map((row) => table.keyOf(row)) : [])
  }
  /** The copies that a finding is about; of one about a part all of its copies. */
  function copiesOf({ pattern, rows, other, part }: Finding): Map<string, ReadonlySet<string>> {
    const found = new Map<string, ReadonlySet<string>>()
    if (pattern !== undefined) found.set(pattern, keysOf(pattern, rows))
    if (other) found.set(other.pattern, keysOf(other.pattern, other.rows))
    const thing = outcomes.worked.parts.findIndex(({ id }) => id === part)
    if (thing < 0) return found
    for (const { id, table } of outcomes.patterns) {
      const own = Array.from({ length: table.count }, (_, k) => k).filter(
        (k) => table.thing[k] === thing && table.isPresent(k),
      )
      if (own.length > 0) found.set(id, keysOf(id, own))
    }
    return found
  }
  const canShow = (finding: Finding): boolean => finding.pattern !== undefined || copiesOf(finding).size > 0
  /** Picks what a finding is about and frames it. */
  function show(finding: Finding): void {
    const copies = copiesOf(finding)
    const [first] = copies.keys()
    if (first === undefined) return
    selection.pickPattern(first)
    selection.pickCopies(copies)
    view.frame('selection')
  }
  /** Does what a fix says about a finding. */
  function fix(finding: Finding, by: Fix): void {
    if (by.by === 'remove parts') {
      document.change('remove parts that are not used', removal(...(finding.parts ?? [])))
      return
    }
    if (by.by === 'fold') return void router.push({ name: 'parts', query: { fold: 'yes' } })
    if (by.by === 'rename') return rename(finding)
    const pattern = document.project.patterns.find((p) => p.id === finding.pattern)
    if (!pattern) return
    if (by.by === 'step') return steps.add(pattern, by.step)
    const keys = keysOf(pattern.id, finding.rows)
    document.change(`${by.words.toLowerCase()} in ${pattern.name}`, (project) => {
      const found = project.patterns.find((p) => p.id === pattern.id)
      if (found) for (const key of keys) touchUpCopy(found, key, { empty: true })
    })
  }
  /** All but the first get numbers. */
  function rename({ pattern, things = [] }: Finding): void {
    const list = pattern === undefined ? 'parts' : 'patterns'
    document.change(`number ${list} of one name`, (project) => {
      const taken = project[list].map(({ name }) => name)
      for (const thing of project[list].filter(({ id }) => things.includes(id))) {
        thing.name = freeName(thing.name, taken)
        taken.push(thing.name)
      }
    })
  }
  /** It is not told again, as long as there is no more of it. */
  function ignore(finding: Finding): void {
    const id = newId('ignored')
    document.change('ignore a finding', (project) => {
      project.ignored = withIgnored(project.ignored, finding, id)
    })
  }
  const tellAgain = (): void =>
    void document.change('tell ignored findings again', (project) => void (project.ignored = []))
  /** Whether a fix has been made already, so that the finding is what is left. */
  function isFixed(finding: Finding, by: Fix): boolean {
    const pattern = document.project.patterns.find((p) => p.id === finding.pattern)
    return by.by === 'step' && (pattern?.steps.some((step) => isStep(by.step, step)) ?? false)
  }
  return { open, spreads, canShow, show, fix, isFixed, ignore, tellAgain }
})
