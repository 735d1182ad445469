import type { Project } from '@hilera/core/model/project'
import { useIntervalFn } from '@vueuse/core'
import { useDocument } from '../stores/document'
import { keepByItself } from './keepByItself'
import { pictureOf } from './lastPicture'

/** So often a state is kept while somebody works, in milliseconds. */
const WHILE = 20 * 60_000

/**
 * Keeps a state of the document as a version by itself, before much of it is changed at once. Where the server cannot be reached, undo
 * still leads back.
 *
 * @param what is about to be done: "before folding"
 */
export function keepBefore(what: string, id: string, state: Project): void {
  void keepByItself(id, { note: what, document: state, ...pictureOf(state) })
}

/** Keeps a version once in a while, where anything has changed since the last one. */
export function useKeptWhileWorking(): void {
  const document = useDocument()
  let last: { readonly id: string; readonly project: Project } | undefined
  useIntervalFn(() => {
    const { id, project } = document
    if (last?.id === id && last.project !== project) keepBefore('while working', id, project)
    last = { id, project }
  }, WHILE)
}
