import { type Isometry, acrossTurn, afterEach, carried, reflectionIn } from '../geometry/isometry'
import { type Quaternion, compose, fromTurns, inverse, rotate } from '../geometry/rotation'
import type { Vec3 } from '../geometry/vec'
import type { PatternOutcome } from '../evaluation/outcome'
import { sourcesOf } from '../evaluation/mirrorSources'
import { definitionOf } from '../layouts/index'
import { imagesOf } from '../mirror/planes'
import type { Pattern, Place } from '../model/pattern'
import type { Project } from '../model/project'
import { hashName } from '../random'
import { imageSlot } from '../slots'
import { type Moved, RESTS } from './state'

/** A copy that another one goes with, and how the motion of that one becomes its own. */
export interface Lead {
  readonly pattern: string
  /** Of the other pattern's own table. */
  readonly row: number
  follow(moved: Moved): Moved
}

/** Whom the copies of a pattern go with that has no motion of its own: companions with their hosts, images with what they are of. */
export function leadsOf(
  pattern: Pattern,
  outcome: PatternOutcome,
  project: Project,
  outcomeOf: (id: string) => PatternOutcome | undefined,
): ReadonlyMap<number, Lead> {
  const { host, images } = definitionOf(pattern.layout)
  const hostId = host?.(pattern.layout)
  if (hostId !== undefined) return withHost(pattern, outcome, project, hostId, outcomeOf(hostId))
  return images?.(pattern.layout) ? asImages(pattern, outcome, project, outcomeOf) : new Map()
}

/** A companion keeps its host's slot, and goes round its host's pivot. */
function withHost(
  pattern: Pattern,
  { table }: PatternOutcome,
  project: Project,
  hostId: string,
  host: PatternOutcome | undefined,
): Map<number, Lead> {
  const leads = new Map<number, Lead>()
  const hostPattern = project.patterns.find((p) => p.id === hostId)
  if (!host || !hostPattern) return leads
  const between = axesBetween(hostPattern.place, pattern.place)
  for (let row = 0; row < table.count; row++) {
    const piece = host.copies.rowOfSlot(table.slotLow[row], table.slotHigh[row])
    if (piece < 0) continue
    const lead = host.copyOwner?.[piece] ?? piece
    const pivot = between.place(host.table.moveOf(lead))
    const at = table.moveOf(row)
    leads.set(row, { pattern: hostId, row: lead, follow: (moved) => about(pivot, at, between.moved(moved)) })
  }
  return leads
}

function asImages(
  pattern: Pattern,
  { table, mirrors }: PatternOutcome,
  project: Project,
  outcomeOf: (id: string) => PatternOutcome | undefined,
): Map<number, Lead> {
  const leads = new Map<number, Lead>()
  const { away } = definitionOf(pattern.layout).images!(pattern.layout)
  const planes = (mirrors?.planes ?? []).filter(({ step }) => step === undefined).sort((a, b) => a.index - b.index)
  const all = imagesOf(planes)
  if (planes.length === 0 || !all.ok) return leads
  const images = away
    ? [planes.map(reflectionIn).reduce((before, next) => afterEach(next, before))]
    : all.value.slice(1)
  for (const { pattern: source, imagesAs } of sourcesOf(pattern, project)) {
    const outcome = outcomeOf(source.id)
    if (!outcome) continue
    const between = axesBetween(source.place, pattern.place)
    const { expanded, owner } = outcome
    for (const [i, image] of images.entries())
      for (let piece = 0; piece < expanded.count; piece++) {
        const slot = imageSlot(expanded.slotLow[piece], expanded.slotHigh[piece], i, hashName(imagesAs))
        const row = table.rowOfSlot(...slot)
        if (row < 0) continue
        leads.set(row, {
          pattern: source.id,
          row: owner?.[piece] ?? piece,
          follow: (moved) => reflected(image, between.moved(moved)),
        })
      }
  }
  return leads
}

/** A motion about one pivot, as it moves what stands elsewhere. */
function about(pivot: Readonly<Vec3>, at: Readonly<Vec3>, moved: Moved): Moved {
  if (moved === RESTS) return moved
  const { move, turn, size } = moved
  const away = rotate(turn, [0, 1, 2].map((i) => size * (at[i] - pivot[i])) as Vec3)
  return { ...moved, move: [0, 1, 2].map((i) => pivot[i] + move[i] + away[i] - at[i]) as Vec3 }
}

/** A motion as it looks in a mirror: about the pivot of the image. */
function reflected(image: Isometry, moved: Moved): Moved {
  if (moved === RESTS) return moved
  const seen = image.mirrored ? acrossTurn(moved.turn) : moved.turn
  const turn = compose(compose(image.turn, seen), inverse(image.turn))
  return { ...moved, move: carried(image, moved.move), turn }
}

/** How places and motions in the axes of one pattern read in those of another. */
function axesBetween(from: Place, to: Place): { place(at: Readonly<Vec3>): Vec3; moved(moved: Moved): Moved } {
  const back = inverse(fromTurns(to.turn))
  const turn: Quaternion = compose(back, fromTurns(from.turn))
  const move = rotate(back, [0, 1, 2].map((i) => from.move[i] - to.move[i]) as Vec3)
  const isSame = turn[3] === 1 && move.every((n) => n === 0)
  return {
    place: (at) => rotate(turn, [at[0], at[1], at[2]]).map((n, i) => n + move[i]) as Vec3,
    moved: (moved) =>
      isSame || moved === RESTS
        ? moved
        : { ...moved, move: rotate(turn, moved.move), turn: compose(compose(turn, moved.turn), inverse(turn)) },
  }
}
