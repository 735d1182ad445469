import type { Pattern } from '../model/pattern'

/** What of a pattern makes no difference to where its copies stand in its own axes. */
const ASIDE: ReadonlySet<string> = new Set(['place', 'hidden', 'locked', 'group', 'baseline', 'was'])

/**
 * What a pattern itself is worked out from, told apart by identity. Where it stands in the world is among it only where somebody asked
 * for it while it was worked out: one that leans on nothing in the world is not worked out again when it is moved.
 */
export const ownUses = (pattern: Pattern): unknown[] =>
  Object.entries(pattern).flatMap(([key, value]) => (ASIDE.has(key) ? [] : [key, value]))
