import type { Quantity } from '../numbers/units'
import type { Element } from './phrases'
import { type Reading, around } from './reading'
import { SMALL } from './small'

/** What a phrase would begin with. */
export function wantsOf<R>(elements: readonly Element<R>[], root: R, reading: Reading): string[] {
  for (const element of elements) {
    if (element.is === 'word') {
      if (!element.isLoose && !element.words.every((w) => SMALL.has(w))) return [element.words[0]]
    } else if (element.is === 'things') continue
    else if (element.is === 'group') {
      const { when, into } = element
      if (when.isLoose || when.holds(into(root), around(root, reading))) {
        const inside = wantsOf(element.elements, root, reading)
        if (inside.length > 0) return inside
      }
    } else if (element.field.is === 'choice') {
      const known = around(root, reading)
      return element.field
        .options(element.into(root), known)
        .filter((o) => !o.isRead)
        .slice(0, 12)
        .map((o) => `${o.words}${o.name ?? ''}`)
    } else if (element.field.is === 'number') return [numberWords[element.field.quantity(element.into(root))]]
    else if (element.field.is === 'list') return ['a name']
    else if (element.field.is === 'reference') return ['“… as in” the name of the pattern that has it']
  }
  return []
}
const numberWords: Record<Quantity, string> = {
  length: 'a length',
  angle: 'an angle',
  share: 'a share in %',
  count: 'a whole number',
  factor: 'a number',
  density: 'a density',
  time: 'a time',
}
