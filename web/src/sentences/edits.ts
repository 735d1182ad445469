import type { Item } from '@hilera/core/sentences/bind'
import type { Problem } from '@hilera/core/words'
import type { InjectionKey } from 'vue'
import type { Gesture } from '../stores/document'
import type { Recipe } from '../stores/history'

/** Takes changes, one by one or while something is dragged: the document, or a sentence to act by. */
export interface Changing {
  change(label: string, recipe: Recipe): Promise<Problem | undefined>
  begin(label: string): Pick<Gesture, 'update' | 'commit' | 'cancel'>
}

/** Edits of what a sentence is about: a pattern, for its layout and its steps, a part, or what is to be done. */
export interface SentenceEdits<R> {
  /** What its values are changed in, where that is not the document. */
  readonly changing?: Changing
  recipe(edit: (root: R) => void): Recipe
  /** What undo calls a change, by the name that a field gives it. */
  name(undo: string | undefined): string
  change(undo: string | undefined, edit: (root: R) => void): Promise<Problem | undefined>
}

/** A value that takes more than a word: which field asks, for what, and how what comes of it is done. */
export interface Asked<R> {
  readonly asks: string
  readonly value: string
  readonly item: Exclude<Item<R>, { is: 'words' | 'clause' }>
  readonly edits: SentenceEdits<R>
}

/** Does what a field asks for. */
export const ASK: InjectionKey<(asked: Asked<never>) => void> = Symbol('asks for more than a word')
