import type { MenuItem } from 'primevue/menuitem'
import type { Drawing } from '../drawing/small'

/** An item of a menu, with what stands beside its words: a small drawing, a note, the key that does the same. */
export interface ActionItem extends MenuItem {
  readonly drawing?: Drawing
  /** What it does in a few words; the label says both, for who cannot see them apart. */
  readonly words?: string
  readonly note?: string
  readonly keys?: string | undefined
}

export const RULE: ActionItem = { separator: true }
