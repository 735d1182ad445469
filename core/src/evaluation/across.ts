import { least } from '../geometry/extremes'
import { rotate, inverse, fromTurns } from '../geometry/rotation'
import { type Vec3, cross, dot } from '../geometry/vec'
import type { InstanceTable } from '../instances'
import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'
import { rowsOfSet } from '../selection/sets'
import { Reach } from '../spacing/reach'
import type { Support } from '../spacing/support'
import { inAxes } from './inAxes'
import { sourcesOf } from './mirrorSources'
import type { PatternOutcome } from './outcome'

/** More than these are not drawn one by one: nobody would tell them apart. */
const MOST = 2000

/** A piece of a copy seen along the plane: from where to where its outline reaches from the plane, and upwards. Metres. */
export interface Beside {
  readonly pattern: string
  /** Of its copy in the pattern's table. */
  readonly row: number
  readonly thing: number
  readonly low: number
  readonly high: number
  readonly base: number
  readonly top: number
}

/** What is mirrored and its images, about the first plane of a mirror, which stands at 0; the world's across, up or front is above 0. */
export interface Across {
  readonly originals: readonly Beside[]
  readonly images: readonly Beside[]
  /** On which side of the plane most of what is mirrored stands. */
  readonly side: -1 | 1
  /** From the plane to the nearest outline on that side, and to the nearest image beyond; below 0 where it reaches through. */
  readonly before: number | undefined
  readonly behind: number | undefined
}

/**
 * The copies of a mirror and those that it mirrors, by their true outlines as they stand.
 *
 * @returns undefined for a pattern that is no mirror, one without a plane, or one of too many
 */
export function acrossOf(
  pattern: Pattern,
  { table, mirrors }: Pick<PatternOutcome, 'table' | 'mirrors'>,
  project: Project,
  outcomeOf: (id: string) => PatternOutcome | undefined,
  supportOf: (thing: number) => Support,
): Across | undefined {
  const plane = mirrors?.planes.find(({ step, index }) => step === undefined && index === 0)
  const sources = sourcesOf(pattern, project)
  if (!plane || sources.length === 0) return undefined
  const turn = mostlyBelow(rotate(fromTurns(pattern.place.turn), plane.normal)) ? -1 : 1
  const normal = plane.normal.map((n) => turn * n) as Vec3
  const distance = turn * plane.distance
  const up = upIn(pattern, normal)
  const beside = (
    id: string,
    of: InstanceTable,
    copyOf: (row: number) => number,
    wanted: (copy: number) => boolean,
  ): Beside[] => {
    const [away, rise] = [new Reach(of, normal, supportOf), new Reach(of, up, supportOf)]
    const found: Beside[] = []
    for (let row = 0; row < of.count && found.length <= MOST; row++) {
      const copy = copyOf(row)
      if (!wanted(copy)) continue
      away.ask(row)
      rise.ask(row)
      const at = of.moveOf(row)
      const [from, height] = [dot(at, normal) - distance, dot(at, up)]
      found.push({
        pattern: id,
        row: copy,
        thing: of.thing[row],
        low: from + away.low,
        high: from + away.high,
        base: height + rise.low,
        top: height + rise.high,
      })
    }
    return found
  }
  const originals = sources.flatMap(({ pattern: source, slots }) => {
    const outcome = outcomeOf(source.id)
    if (!outcome) return []
    const { table: own, expanded, owner } = outcome
    const only = slots && rowsOfSet(own, slots)
    const here = inAxes(expanded, source.place, pattern.place)
    // Those that the mirror moved across are told where they were.
    const isWanted = (copy: number): boolean => own.isMirrored(copy) && (!only || only[copy] === 1)
    return beside(source.id, here, (row) => owner?.[row] ?? row, isWanted)
  })
  const isThere = (row: number): boolean => table.isPresent(row)
  const images = beside(pattern.id, table, (row) => row, isThere)
  if (originals.length === 0 || originals.length + images.length > MOST) return undefined
  const side = originals.reduce((sum, { low, high }) => sum + low + high, 0) < 0 ? -1 : 1
  return {
    originals,
    images,
    side,
    before: nearest(originals, side),
    behind: nearest(images, side === 1 ? -1 : 1),
  }
}

/** How near to the plane those on one side of it begin. */
function nearest(copies: readonly Beside[], side: -1 | 1): number | undefined {
  const there = copies.filter(({ low, high }) => side * (low + high) > 0)
  if (there.length === 0) return undefined
  return least(there.map(({ low, high }) => (side === 1 ? low : 0 - high)))
}

/** Whether a direction leads mostly to the left, down or away from the viewer. */
const mostlyBelow = (way: Readonly<Vec3>): boolean =>
  way.reduce((most, n) => (Math.abs(n) > Math.abs(most) + 1e-9 ? n : most), 0) < 0

/** Upwards in the plane: the world's up as it lies there, or away from the viewer where the plane lies flat. */
function upIn({ place }: Pattern, normal: Readonly<Vec3>): Vec3 {
  const back = inverse(fromTurns(place.turn))
  for (const way of [
    [0, 1, 0],
    [0, 0, -1],
  ] as const) {
    const own = rotate(back, way)
    const beside = cross(normal, own)
    const lies = cross(beside, normal)
    const length = Math.hypot(...lies)
    if (length > 0.5) return lies.map((n) => n / length) as Vec3
  }
  return [0, 1, 0]
}
