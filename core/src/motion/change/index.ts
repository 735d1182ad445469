import type { MovementDefinition } from '../definition'
import { prepareChange } from './prepare'
import { type Change, change as schema } from './schema'
import { changeSentence } from './sentence'
import { startChange } from './start'
import { betweenAt, valueAt } from './valueAt'

export const change: MovementDefinition<Change> = {
  schema,
  words: 'Change',
  note: 'a number of its sentences goes from one value to another',
  sentence: changeSentence,
  begin(id, _, length, pattern, numbers = []) {
    const begun: Change = {
      kind: 'change',
      id,
      of: 'layout',
      value: '',
      quantity: 'count',
      from: { at: 0, value: 0 },
      // Half of the time, in hundredths.
      keys: [{ at: Math.max(Math.floor(50 * length), 1) / 100, value: 0, easing: 'slowBoth' }],
    }
    const [first] = numbers.filter((n) => !n.writeSeed)
    if (pattern && first) startChange(begun, first, pattern)
    return begun
  },
  summary: ({ value }) => (value ? `${value.toLowerCase()} changes` : 'nothing changes yet'),
  prepare: prepareChange,
  valueAt: (change, time) =>
    change.value
      ? { of: change.of, label: change.value, to: valueAt(change, time), between: betweenAt(change, time) }
      : undefined,
  smooth: ({ smooth = 0 }) => smooth,
}
