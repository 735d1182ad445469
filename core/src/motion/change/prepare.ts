import { type Result, done, fact, refused } from '../../words'
import type { Cast } from '../cast'
import type { Prepared } from '../definition'
import { RESTS } from '../state'
import type { Change } from './schema'

/** It moves no copy by itself: what it changes is in the document of each moment. */
export function prepareChange({ from, keys }: Change, casts: readonly Cast[]): Result<readonly Prepared[]> {
  let before = from.at
  for (const { at } of keys) {
    if (at <= before)
      return refused(
        'It is to be there by ',
        { time: at },
        ', and begins at ',
        { time: before },
        '. Type times that come one after another.',
      )
    before = at
  }
  const made: Prepared = {
    at: () => RESTS,
    bars: [],
    spans: [[from.at, before]],
    finest: Infinity,
    turns: () => [],
    facts: [fact('end', 'it is there after ', { time: before - from.at })],
  }
  return done(casts.map(() => made))
}
