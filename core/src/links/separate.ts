import { byTouchUps, isStep } from '../steps/index'
import { definitionOf } from '../layouts/index'
import { type Stood, ownColorOf } from '../evaluation/outcome'
import { type InstanceTable, slotKeyOf } from '../instances'
import { MAX_SPOTS, type Spot } from '../layouts/spots/schema'
import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'
import { plural, type Result, type Sentence, done, refused } from '../words'

/** What a pattern loses when its copies become separate, as sentences; undefined when it cannot be. */
export function separateLoses(
  { name, layout, steps, touchUps }: Pattern,
  table: Pick<InstanceTable, 'count' | 'isTwin' | 'thing'>,
  isPart: (thing: number) => boolean,
): Result<Sentence[]> {
  const copies = table.count
  for (let k = 0; k < copies; k++)
    if (table.isTwin(k) && !isPart(table.thing[k]))
      return refused(
        `${name} has mirror images of whole patterns, which no part stands for. Make those separate first.`,
      )
  if (copies > MAX_SPOTS)
    return refused(
      `${name} has `,
      { count: copies },
      ' copies; up to ',
      { count: MAX_SPOTS },
      ' can stand on places of their own. Lower its count first.',
    )
  const touched = Object.keys(touchUps).length
  const definition = definitionOf(layout)
  const lost: Sentence[] = [
    [definition.lost ?? `its ${definition.words.toLowerCase()} no longer places them: spacing and count are fixed`],
  ]
  const shaping = byTouchUps(steps).before.length
  if (shaping > 0)
    lost.push([{ count: shaping }, plural(shaping, ' step becomes', ' steps become'), ' part of each place'])
  if (touched > 0)
    lost.push([{ count: touched }, plural(touched, ' touch-up becomes', ' touch-ups become'), ' part of each place'])
  return done(lost)
}

/**
 * Makes the copies of a pattern separate: each gets a place of its own where it stands, with its part and its colour. Empty places go. What
 * the pattern was is kept beside it, so that it can be brought back; saved selections follow.
 *
 * @param idOf the id of a thing by its number
 * @param twinOf the id of the twin of a thing, made where there is none
 */
export function makeSeparate(
  project: Project,
  pattern: Pattern,
  stood: Stood,
  idOf: (thing: number) => string,
  nameOf: (thing: number) => string,
  twinOf: (thing: number) => string,
): void {
  const spots: Spot[] = []
  const { table } = stood
  /** Who stays while others settle and are cleared goes on staying, and who was coloured keeps its colour. */
  const kept: Pattern['touchUps'] = {}
  const now = new Map<string, string>()
  for (let k = 0; k < table.count; k++) {
    if (!table.isMirrored(k)) continue
    const slot = slotKeyOf(spots.length, 0)
    now.set(table.keyOf(k), slot)
    const { held, unsettled } = pattern.touchUps[table.keyOf(k)] ?? {}
    const color = ownColorOf(stood, k)
    if (held || unsettled || color !== undefined)
      kept[slot] = { ...(color !== undefined && { color }), ...(held && { held }), ...(unsettled && { unsettled }) }
    const { move, turn, size } = table.placingOf(k)
    const thing = table.thing[k]
    spots.push({
      slot: spots.length,
      move,
      ...(Math.abs(turn[3]) < 1 && { turn: [...turn] }),
      ...(size.some((n) => n !== 1) && { size }),
      part: table.isTwin(k) ? twinOf(thing) : idOf(thing),
      name: `${nameOf(thing)} ${spots.length + 1}`.slice(0, 80),
    })
  }
  const { deal, layout, touchUps, fits } = pattern
  const { before, after } = byTouchUps(pattern.steps)
  // Who leans already would lean once more: that has become part of each place.
  const leaning = after.filter((step) => isStep('settle', step) && step.stands !== 'upright')
  pattern.was ??= { deal, layout, steps: [...before, ...leaning], touchUps, ...(fits && { fits }) }
  pattern.deal = { kind: 'inTurn', parts: [spots[0]?.part ?? deal.parts[0]] }
  pattern.layout = { kind: 'spots', spots }
  // What settles and clears them goes on.
  pattern.steps = after.filter((step) => !leaning.includes(step))
  pattern.touchUps = kept
  delete pattern.fits
  for (const set of project.sets) {
    const keys = set.copies[pattern.id]
    if (keys) set.copies[pattern.id] = keys.flatMap((key) => now.get(key) ?? [])
  }
}

/** Makes a pattern again what it was before its copies were made separate; what was done to them since is lost. */
export function backToPattern(pattern: Pattern): void {
  const { was } = pattern
  if (!was) return
  const { after } = byTouchUps(pattern.steps)
  delete pattern.fits
  Object.assign(pattern, was, { steps: [...was.steps, ...after] })
  delete pattern.was
}
