import { keepTo } from '../../sentences/keepTo'
import type { MovementDefinition } from '../definition'
import { prepareIdle } from './prepare'
import { type Idle, idle as schema } from './schema'
import { idleSentence } from './sentence'

export const idle: MovementDefinition<Idle> = {
  schema,
  words: 'Keep moving',
  note: 'turn, sway or bob where they stand',
  sentence: [...idleSentence, keepTo],
  begin: (id, copies) => ({
    kind: 'idle',
    id,
    way: 'sway',
    axis: 'deep',
    angle: Math.PI / 36,
    distance: 0.01,
    once: 2,
    order: 'theirs',
    seed: 1,
    near: [0, 0, 0],
    // One round from the first to the last, in hundredths.
    behind: Math.max(1, Math.round(100 / Math.max(copies, 1))) / 100,
  }),
  summary: ({ way }) => ({ turn: 'turn', sway: 'sway', bob: 'bob' })[way],
  prepare: prepareIdle,
}
