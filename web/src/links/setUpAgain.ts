import { partsOfSetUp, setUpAgain, setUpOf } from '@hilera/core/links/setUp'
import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { newId } from '../names'
import { useDocument } from '../stores/document'
import { useSelection } from '../stores/selection'

/** Whether a set-up is to be made again with other parts, and which. */
export const useSetUpAgain = defineStore('setUpAgain', () => {
  const document = useDocument()
  const selection = useSelection()
  /** The pattern that leads it. */
  const of = ref<string>()
  const ids = computed(() => (of.value === undefined ? [] : setUpOf(document.project, of.value)))
  const parts = computed(() => partsOfSetUp(document.project, ids.value))
  const nameOf = (id: string): string =>
    [...document.project.parts, ...document.project.patterns].find((thing) => thing.id === id)?.name ?? ''

  /**
   * Makes it again beside itself, as one step, and picks what was made.
   *
   * @param given other parts, by those whose place they take
   */
  async function make(given: ReadonlyMap<string, string>, sameChances: boolean): Promise<void> {
    if (of.value === undefined) return
    let made: readonly string[] = []
    const refused = await document.change(`${nameOf(of.value)} again with other parts`, (project) => {
      made = setUpAgain(project, ids.value, { given, sameChances, by: [0, 0, 0.2], newId })
    })
    if (refused) return
    of.value = undefined
    selection.pickPattern(made[0])
  }
  return { of, ids, parts, nameOf, make }
})
