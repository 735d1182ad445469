import { type Pattern, pattern as schema } from '../model/pattern'
import { inPhases } from '../steps/index'
import { walk } from '../values/walk'

/**
 * The ids under which what is left to chance in a pattern is drawn, so that its text makes the same picture anywhere: its own, those
 * of its steps in the order in which they are said, and after a stroke the lots of a deal at random. Undefined where nothing is
 * left to chance.
 */
export function chancesOf(pattern: Pattern): string | undefined {
  let draws = false
  walk(schema, pattern, 'seed', ({ path }) => {
    if (path[0] !== 'was') draws = true
  })
  if (!draws) return undefined
  const { deal, id, chances = id, steps } = pattern
  const own = [chances, ...inPhases(steps).map((step) => step.id)].join(' ')
  return deal.kind === 'random' ? `${own} / ${(deal.lots ?? deal.parts).join(' ')}` : own
}

const ID = /^[a-z0-9-]{1,40}$/

/** Its steps under other ids, and what changes in time of them. */
function withStepIds({ steps, motion }: Pattern, ids: readonly string[]): Pick<Pattern, 'steps' | 'motion'> {
  const now = new Map(steps.map(({ id }, i) => [id, ids[i]]))
  return {
    steps: steps.map((step, i) => ({ ...step, id: ids[i] })),
    ...(motion && {
      motion: motion.map((m) => ('of' in m && now.has(m.of) ? { ...m, of: now.get(m.of)! } : m)),
    }),
  }
}

/** A pattern that draws under such ids; what does not fit it is passed over. */
export function withChances(pattern: Pattern, said: string): Pattern {
  const [own = '', lots] = said.split('/').map((ids) => ids.trim().split(/\s+/))
  const [chances, ...stepIds] = own
  if (![...own, ...(lots ?? [])].every((id) => ID.test(id))) return pattern
  const fits = stepIds.length === pattern.steps.length && new Set(stepIds).size === stepIds.length
  const { deal } = pattern
  const dealsBy =
    deal.kind === 'random' && lots?.length === deal.parts.length && lots.some((lot, i) => lot !== deal.parts[i])
  return {
    ...pattern,
    chances,
    ...(fits && withStepIds(pattern, stepIds)),
    ...(dealsBy && { deal: { ...deal, lots } }),
  }
}
