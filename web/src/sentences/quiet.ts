import { useLocalStorage } from '@vueuse/core'
import type { InjectionKey, Ref } from 'vue'

/** A sentence as its clauses see it: whether all of it is said, and who of them says nothing. */
export interface QuietSentence {
  readonly isOpen: Readonly<Ref<boolean>>
  /** Enters a clause with whether it is neutral; the function that comes back takes it out again. */
  add(isNeutral: () => boolean): () => void
}
export const QUIET: InjectionKey<QuietSentence> = Symbol('sentence with quiet clauses')

/** So many sentences are remembered as opened, the latest first. */
const MOST = 200
const opened = useLocalStorage<string[]>('hilera.opened', [])

/** Sentences that have been opened are found open again. */
export const isOpened = (name: string): boolean => opened.value.includes(name)
export function setOpened(name: string, open: boolean): void {
  const others = opened.value.filter((n) => n !== name)
  opened.value = open ? [name, ...others].slice(0, MOST) : others
}
