import { eased } from '../easing'
import type { Change } from './schema'

/** What a changing number is at a time, in seconds: the first value until it begins, the last one when all keys are passed. */
export function valueAt({ from, keys }: Pick<Change, 'from' | 'keys'>, time: number): number {
  let before: { readonly at: number; readonly value: number } = from
  for (const key of keys) {
    // At the moment of a key it is the key's value, to the bit.
    if (time < key.at) {
      if (time <= before.at) return before.value
      return before.value + (key.value - before.value) * eased(key.easing, (time - before.at) / (key.at - before.at))
    }
    before = key
  }
  return before.value
}
