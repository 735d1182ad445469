import type { PatternOutcome } from '../evaluation/outcome'
import type { Project } from '../model/project'
import { type Facts, type Result, done, refused } from '../words'
import { type Placeable, bodiesOf } from './body'
import type { ActDefinition, Around, InRow } from './definition'
import { type Placed, placedExactly } from './exactly'
import { lockedAmong } from './locked'
import { type Act, acts } from './registry'
import { cannotBeSized } from './sized'

/** What an act would come to: plain data that can cross to another thread. */
export interface Proposed {
  readonly placed: Placed
  readonly facts: Facts
  /** Values of its sentence that were worked out. */
  readonly worked: object
  readonly row?: InRow
}

/**
 * Works out what an act on picked things changes, so that they stand exactly where it puts them.
 *
 * @param worked the document before the act, and what came of it
 * @param lead the thing that leads
 * @param evaluate works a document out
 */
export function proposed(
  act: Act,
  picked: readonly Placeable[],
  lead: Placeable | undefined,
  worked: Around,
  evaluate: (project: Project) => readonly PatternOutcome[],
): Result<Proposed> {
  const definition = acts[act.kind] as unknown as ActDefinition<object>
  const bodies = bodiesOf(worked, picked)
  const same = (of: Placeable): boolean => lead !== undefined && keyOf(of) === keyOf(lead)
  const leading = bodies.find(({ of }) => same(of)) ?? (lead && bodiesOf(worked, [lead])[0])
  const made = definition.propose(bodies, leading, act.how, worked)
  if (!made.ok) return made
  const { wanted, facts, row, worked: values = {} } = made.value
  const moving = wanted.filter(({ body, to }) => body.stands !== to)
  const locked = lockedAmong(
    worked,
    moving.map(({ body }) => body.of),
  )
  if (locked) return refused(`${locked} is locked. Unlock it, or leave it out.`)
  const sized = moving.filter(({ body, to }) => body.of.is === 'patterns' && to.size[0] !== body.stands.size[0])
  const held = cannotBeSized(
    worked.project,
    sized.flatMap(({ body }) => (body.of.is === 'patterns' ? body.of.ids : [])),
  )
  if (held) return refused(...held)
  // Copies that are to stay are wanted where they are: what is moved beside them may push them on, or space them anew.
  const targets = wanted
    .filter(({ body, to }) => body.stands !== to || (moving.length > 0 && body.of.is === 'copy'))
    .map(({ body, to }) => ({ of: body.of, from: body.stands, to }))
  const placed = placedExactly(worked.project, targets, evaluate)
  return placed.ok ? done({ placed: placed.value, facts, worked: values, ...(row && { row }) }) : placed
}

/** A thing's key: its pattern and slot, or its patterns. */
export const keyOf = (of: Placeable): string => (of.is === 'copy' ? `${of.pattern} ${of.slot}` : of.ids.join(' '))
