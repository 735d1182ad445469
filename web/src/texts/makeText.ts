import type { MadeText } from '@hilera/core/sentences/make'
import { plural } from '@hilera/core/words'
import { useDebounceFn } from '@vueuse/core'
import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { useDocument } from '../stores/document'
import type { Recipe } from '../stores/history'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'

/** So long nothing is typed before a text is read. */
const PAUSE = 120

/** A text that is typed or pasted: read while it is typed, seen on the stage as a ghost, made when it is accepted. */
export const useMakeText = defineStore('makeText', () => {
  const document = useDocument()
  const outcomes = useOutcomes()
  const selection = useSelection()
  const read = shallowRef<{ readonly text: string; readonly made: MadeText }>()
  const isReading = ref(false)
  /** What is proposed is from this text, and not something else that waits to be accepted. */
  const isOurs = ref(false)
  let serial = 0

  function leave(): void {
    serial++
    isReading.value = false
    read.value = undefined
    if (isOurs.value && document.proposal) document.leave()
    isOurs.value = false
  }

  const recipe =
    ({ parts, patterns }: MadeText): Recipe =>
    (project) => {
      project.parts.push(...structuredClone(parts as typeof project.parts))
      project.patterns.push(...structuredClone(patterns as typeof project.patterns))
    }
  const label = ({ patterns, parts }: MadeText): string =>
    patterns.length === 1
      ? `make ${patterns[0].name}`
      : patterns.length > 1
        ? `make ${patterns.length} patterns`
        : `make ${parts.length} ${plural(parts.length, 'part', 'parts')}`

  const ask = useDebounceFn(async (text: string, own: number): Promise<void> => {
    if (own !== serial) return
    const ghost = isOurs.value ? (read.value?.made ?? { parts: [], patterns: [] }) : { parts: [], patterns: [] }
    const without = [...ghost.parts, ...ghost.patterns].map(({ id }) => id)
    const made = await outcomes.made(text, selection.partId, without)
    if (own !== serial) return
    isReading.value = false
    read.value = { text, made }
    show(made)
  }, PAUSE)

  /** Shows on the stage what a text makes; what it made before it was changed goes. */
  function show(made: MadeText): void {
    if (isOurs.value && document.proposal) document.leave()
    isOurs.value = false
    if (made.patterns.length === 0 || document.proposal) return
    document.propose(label(made), made.patterns[0].id, recipe(made))
    isOurs.value = true
  }

  /** Reads a text; the newest one wins. */
  function look(text: string): void {
    serial++
    if (text.trim() === '') return leave()
    isReading.value = true
    void ask(text, serial)
  }

  /** Makes what was read last: one step of undo. */
  function accept(): boolean {
    const made = read.value?.made
    if (!made || (made.patterns.length === 0 && made.parts.length === 0)) return false
    if (isOurs.value && document.proposal) document.accept()
    else void document.change(label(made), recipe(made))
    isOurs.value = false
    if (made.patterns.length > 0) selection.pickPattern(made.patterns[0].id)
    else selection.pickPart(made.parts[0].id)
    leave()
    return true
  }

  return { read, isReading, look, leave, accept }
})
