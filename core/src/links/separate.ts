import { Flag, type InstanceTable, slotKeyOf } from '../instances'
import { MAX_SPOTS, type Spot } from '../model/layout'
import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'
import { type Result, type Sentence, done, refused } from '../words'

/** What a pattern loses when its copies become separate, as sentences; undefined when it cannot be. */
export function separateLoses(
  { name, layout, steps, touchUps }: Pattern,
  table: Pick<InstanceTable, 'count' | 'flags' | 'part'>,
  isPart: (thing: number) => boolean,
): Result<Sentence[]> {
  const copies = table.count
  for (let k = 0; k < copies; k++)
    if (table.flags[k] & Flag.twin && !isPart(table.part[k]))
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
  const lost: Sentence[] = [
    [
      layout.kind === 'mirror'
        ? 'its mirror no longer places them: they do not follow what they are images of'
        : `its ${layout.kind === 'spots' ? 'deal' : layout.kind} no longer places them: spacing and count are fixed`,
    ],
  ]
  if (steps.length > 0) lost.push([{ count: steps.length }, ' steps become part of each place'])
  if (touched > 0) lost.push([{ count: touched }, ' touch-ups become part of each place'])
  return done(lost)
}

/**
 * Makes the copies of a pattern separate: each gets a place of its own where it stands, with its part. Empty places go. What
 * the pattern was is kept beside it, so that it can be brought back; saved selections follow.
 *
 * @param idOf the id of a thing by its number
 * @param twinOf the id of the twin of a thing, made where there is none
 */
export function makeSeparate(
  project: Project,
  pattern: Pattern,
  table: InstanceTable,
  idOf: (thing: number) => string,
  nameOf: (thing: number) => string,
  twinOf: (thing: number) => string,
): void {
  const { position: p, quaternion: q, scale: s, count, flags, part, slotLow, slotHigh } = table
  const spots: Spot[] = []
  const now = new Map<string, string>()
  for (let k = 0; k < count; k++) {
    if (flags[k] & Flag.empty) continue
    now.set(slotKeyOf(slotLow[k], slotHigh[k]), slotKeyOf(spots.length, 0))
    const size: [number, number, number] = [s[3 * k], s[3 * k + 1], s[3 * k + 2]]
    spots.push({
      slot: spots.length,
      move: [p[3 * k], p[3 * k + 1], p[3 * k + 2]],
      ...(Math.abs(q[4 * k + 3]) < 1 && { turn: [q[4 * k], q[4 * k + 1], q[4 * k + 2], q[4 * k + 3]] }),
      ...(size.some((n) => n !== 1) && { size }),
      part: flags[k] & Flag.twin ? twinOf(part[k]) : idOf(part[k]),
      name: `${nameOf(part[k])} ${spots.length + 1}`.slice(0, 80),
    })
  }
  const { deal, layout, steps, touchUps } = pattern
  pattern.was ??= { deal, layout, steps, touchUps }
  pattern.deal = { kind: 'inTurn', parts: [spots[0]?.part ?? deal.parts[0]] }
  pattern.layout = { kind: 'spots', spots }
  pattern.steps = []
  pattern.touchUps = {}
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
  Object.assign(pattern, was)
  delete pattern.was
}
