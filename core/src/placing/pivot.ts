import { produce } from 'immer'
import type { PatternOutcome } from '../evaluation/outcome'
import { fromTurns, rotate } from '../geometry/rotation'
import { type Vec3, minus, plus } from '../geometry/vec'
import type { Placing } from '../instances'
import type { PartFrame } from '../model/part'
import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'
import { boundsOfPart } from '../parts/support'
import type { MeshLibrary } from '../parts/partMesh'
import { type Result, done } from '../words'
import { inWorld } from '../model/inWorld'
import { type Target, placedExactly, putPlaced } from './exactly'

/**
 * A project in which a part has another pivot and nothing that is placed moves: each copy's place goes as far as the pivot went, in
 * its own axes, and so do the members of assemblies. Where all copies of a pattern can be made up for by one fit of the part, that
 * is done; otherwise by touch-ups.
 *
 * @param frame the part's new frame; its top and front are those that it had
 * @param evaluate works a document out
 */
export function withPivot(
  project: Project,
  partId: string,
  frame: PartFrame | undefined,
  meshes: MeshLibrary,
  evaluate: (project: Project) => readonly PatternOutcome[],
): Result<Project> {
  const turned = produce(project, (draft) => {
    const part = draft.parts.find((p) => p.id === partId)
    if (!part) return
    if (frame) part.frame = { ...frame, pivot: [...frame.pivot] }
    else delete part.frame
  })
  const shifts = shiftsBetween(project, turned, partId, meshes)
  if (shifts.size === 0) return done(turned)
  const wanted = wantedPlaces(project, evaluate(project), shifts)
  const inside = produce(turned, (draft) => {
    for (const { shape } of draft.parts)
      if (shape.kind === 'assembly')
        for (const member of shape.members) {
          const shift = shifts.get(member.part)
          if (shift) member.move = plus(member.move, rotate(fromTurns(member.turn), sized(shift, member.size)))
        }
    // A ground that is the surface of the part stays where it is.
    for (const ground of draft.grounds) {
      const shift = ground.shape.kind === 'part' ? shifts.get(ground.shape.part) : undefined
      if (shift) ground.move = plus(ground.move, rotate(fromTurns([0, ground.turn, 0]), shift))
    }
  })
  const fitted = produce(inside, (draft) => {
    for (const pattern of draft.patterns) if (wanted.some(({ of }) => of.pattern === pattern.id)) fit(pattern, shifts)
  })
  // Where spacing goes by outlines these stay where they were, whatever the pivot is: a fit would move them.
  const [plainMisses, fittedMisses] = [inside, fitted].map((state) => missesIn(state, evaluate(state), wanted))
  const better = produce(inside, (draft) => {
    for (const pattern of draft.patterns)
      if ((fittedMisses.get(pattern.id) ?? 0) < (plainMisses.get(pattern.id) ?? 0)) fit(pattern, shifts)
  })
  const off = stillOff(better, evaluate(better), wanted)
  if (off.length === 0) return done(better)
  const placed = placedExactly(better, off, evaluate)
  return placed.ok ? done(produce(better, (draft) => putPlaced(draft, placed.value))) : placed
}

/** How far the surfaces of parts moved against their pivots: of the part, and of its twins; the other way round the pivot's way. */
function shiftsBetween(before: Project, after: Project, partId: string, meshes: MeshLibrary): Map<string, Vec3> {
  const shifts = new Map<string, Vec3>()
  for (const [i, part] of before.parts.entries()) {
    const isTwin = part.shape.kind === 'twin' && part.shape.of === partId
    if (part.id !== partId && !isTwin) continue
    const [was, is] = [
      boundsOfPart(part, { parts: before.parts, meshes }),
      boundsOfPart(after.parts[i], { parts: after.parts, meshes }),
    ]
    const shift = minus(was.low, is.low)
    if (shift.some((n) => Math.abs(n) > 1e-12)) shifts.set(part.id, shift)
  }
  return shifts
}

interface WantedCopy {
  readonly of: { readonly is: 'copy'; readonly pattern: string; readonly slot: string }
  readonly to: Placing
}

const sized = (shift: Vec3, size: Readonly<Vec3>): Vec3 => [shift[0] * size[0], shift[1] * size[1], shift[2] * size[2]]

/** Where the copies' new pivots are to stand. */
function wantedPlaces(
  project: Project,
  outcomes: readonly PatternOutcome[],
  shifts: ReadonlyMap<string, Vec3>,
): WantedCopy[] {
  return project.patterns.flatMap((pattern) => {
    const { table } = outcomes.find((o) => o.id === pattern.id)!
    const found: WantedCopy[] = []
    for (let k = 0; k < table.count; k++) {
      const shift = shifts.get(project.parts[table.thing[k]]?.id ?? '')
      if (!shift || !table.isPresent(k)) continue
      const stands = inWorld(pattern, table.placingOf(k))
      const own: Vec3 = table.isTwin(k) ? [-shift[0], shift[1], shift[2]] : shift
      found.push({
        of: { is: 'copy', pattern: pattern.id, slot: table.keyOf(k) },
        to: { ...stands, move: plus(stands.move, rotate(stands.turn, sized(own, stands.size))) },
      })
    }
    return found
  })
}

function fit(pattern: Pattern, shifts: ReadonlyMap<string, Vec3>): void {
  pattern.fits ??= {}
  for (const [part, shift] of shifts) {
    const before = pattern.fits[part] ?? {}
    // A fit's size comes after its move: the move is of the part as large as the place.
    const own = before.size ? sized(shift, before.size) : shift
    pattern.fits[part] = { ...before, move: plus(before.move ?? [0, 0, 0], own) }
  }
}

/** So far a copy counts as where it is to stand, in metres. */
const THERE = 1e-12

function stillOff(project: Project, outcomes: readonly PatternOutcome[], wanted: readonly WantedCopy[]): Target[] {
  const patterns = new Map(project.patterns.map((p) => [p.id, p]))
  const tables = new Map(outcomes.map((o) => [o.id, o.table]))
  return wanted.flatMap(({ of, to }): Target[] => {
    const table = tables.get(of.pattern)!
    const row = table.rowOf(of.slot)
    if (row < 0) return []
    const from = inWorld(patterns.get(of.pattern)!, table.placingOf(row))
    const away = Math.hypot(...minus(from.move, to.move))
    return away > THERE * (1 + Math.hypot(...to.move)) ? [{ of, from, to }] : []
  })
}

const missesIn = (
  project: Project,
  outcomes: readonly PatternOutcome[],
  wanted: readonly WantedCopy[],
): Map<string, number> => {
  const misses = new Map<string, number>()
  for (const { of } of stillOff(project, outcomes, wanted))
    if (of.is === 'copy') misses.set(of.pattern, (misses.get(of.pattern) ?? 0) + 1)
  return misses
}
