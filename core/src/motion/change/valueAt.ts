import type { SeedBetween } from '../../random'
import { eased } from '../easing'
import type { Change } from './schema'

/** Between which two values a changing number is at a time, in seconds, and how far it has come; an easing may go beyond. */
export function betweenAt({ from, keys }: Pick<Change, 'from' | 'keys'>, time: number): SeedBetween {
  let before: { readonly at: number; readonly value: number } = from
  for (const key of keys) {
    // At the moment of a key it is the key's value, to the bit.
    if (time < key.at) {
      if (time <= before.at) break
      const share = eased(key.easing, (time - before.at) / (key.at - before.at))
      return { from: before.value, to: key.value, share }
    }
    before = key
  }
  return { from: before.value, to: before.value, share: 0 }
}

/** What a changing number is at a time, in seconds: the first value until it begins, the last one when all keys are passed. */
export function valueAt(change: Pick<Change, 'from' | 'keys'>, time: number): number {
  const { from, to, share } = betweenAt(change, time)
  return share === 0 ? from : from + (to - from) * share
}
