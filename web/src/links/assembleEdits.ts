import { outOfPart } from '@hilera/core/placing/outOfPart'
import type { Project } from '@hilera/core/model/project'
import { freeName } from '@hilera/core/names'
import { sentenceText } from '@hilera/core/numbers/format'
import type { Result } from '@hilera/core/words'
import { computed } from 'vue'
import { newId } from '../names'
import { usePicked } from '../placing/picked'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'
import { keepBefore } from '../versions/keepBefore'
import { useLinkEdits } from './linkEdits'

/** One part made of what is picked, and taken apart again. */
export function useAssembleEdits() {
  const document = useDocument()
  const outcomes = useOutcomes()
  const selection = useSelection()
  const picked = usePicked()
  const links = useLinkEdits()

  const cannotAssemble = computed(() =>
    picked.things.length < 2 && !pickedGroup.value
      ? 'Pick several copies, patterns or a group to make a part of them.'
      : undefined,
  )
  const pickedGroup = computed(() => document.project.groups.find((g) => selection.wholes.includes(g.id)))

  /** Why the picked copies cannot be taken apart. */
  const cannotTakeApart = computed(() => {
    const none = 'Pick copies of a part that is assembled of others.'
    if (selection.count === 0) return none
    const parts = links.partsOfPicks()
    const isAssembly = (id: string): boolean =>
      outcomes.worked.parts.some(({ id: own, shape }) => own === id && shape.kind === 'assembly')
    return parts.length > 0 && parts.every(isAssembly) ? undefined : none
  })

  /**
   * Makes one part of what is picked, placed where it stood.
   *
   * @returns what there is to say of it
   */
  async function assemble(): Promise<string | undefined> {
    if (cannotAssemble.value) return cannotAssemble.value
    const [first] = picked.things
    const name = pickedGroup.value?.name ?? `Set of ${picked.nameOf(first).replace(/ \d+$/, '')}`.slice(0, 80)
    const ids = { part: newId('part'), pattern: newId('pattern'), name }
    const made = await outcomes.intoPart(picked.things, ids)
    const left = leftBehind()
    const whole = picked.things.some(({ is }) => is === 'patterns')
    if (made.ok && whole) keepBefore('before making a part of patterns', document.id, document.project)
    const refused = await take('make a part of them', made)
    if (refused) return refused
    selection.pickPattern(ids.pattern)
    return `They are one part now, ${name}. Repeat it like any other; Ctrl Z brings them back.${left}`
  }

  /** What of the picked things a part does not take along, in words. */
  function leftBehind(): string {
    const ids = picked.things.flatMap((of) => (of.is === 'copy' ? [of.pattern] : of.ids))
    const some = outcomes.patterns.filter(({ id }) => ids.includes(id))
    const colors = some.some(({ frames }) => frames.some(({ color }) => color !== undefined))
    const motion = outcomes.worked.patterns.some((p) => ids.includes(p.id) && p.motion?.length)
    const what = [...(colors ? ['colours of their own'] : []), ...(motion ? ['motion'] : [])]
    return what.length > 0 ? ` Left behind: their ${what.join(' and their ')}.` : ''
  }

  /** Takes the picked copies apart, each where it stands. */
  async function takeApart(): Promise<string | undefined> {
    if (cannotTakeApart.value) return cannotTakeApart.value
    const id = newId('pattern')
    const [first] = links.partsOfPicks()
    const partName = outcomes.worked.parts.find((p) => p.id === first)?.name ?? ''
    const name = freeName(
      `Pieces of ${partName}`.slice(0, 80),
      document.project.patterns.map((p) => p.name),
    )
    const stood = new Map(outcomes.patterns.map((p) => [p.id, p]))
    const refused = await take('take a part apart', outOfPart(outcomes.worked, selection.picks, stood, { id, name }))
    if (!refused) selection.pickPattern(id)
    return refused
  }

  /** Takes a document as one step; only what differs is changed. */
  async function take(label: string, made: Result<Project>): Promise<string | undefined> {
    if (!made.ok) return sentenceText(made.problem.says, document.unit)
    const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b)
    const before = document.project
    const refused = await document.change(label, (project) => {
      for (const key of Object.keys(made.value) as (keyof Project)[])
        if (!same(made.value[key], before[key])) Object.assign(project, { [key]: made.value[key] })
    })
    return refused && sentenceText(refused.says, document.unit)
  }

  return { cannotAssemble, cannotTakeApart, assemble, takeApart }
}
