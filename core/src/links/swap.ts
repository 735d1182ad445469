import { withLots } from '../deal/edits'
import type { Box } from '../geometry/box'
import type { InstanceTable } from '../instances'
import type { Part } from '../model/part'
import { definitionOf } from '../layouts/index'
import { type Fit, type Pattern, pattern as patternSchema } from '../model/pattern'
import { thingsUsed } from '../model/references'
import type { Project } from '../model/project'
import type { Vec3 } from '../values/values'
import { renamed } from '../values/walk'
import { giveCopy, within } from './placing'

export interface SwapOptions {
  /** Which point of the old part's box, or its pivot, the new part takes over with its own. */
  readonly keep: 'pivot' | 'centre' | 'base'
  /** The new part's own size; fitted inside the old one's box with one factor; or stretched to it along each axis. */
  readonly size: 'part' | 'fit' | 'stretch'
}

export const swapDefaults: SwapOptions = { keep: 'pivot', size: 'part' }

/** How a part is moved and sized in another one's place so that it keeps what is to be kept. */
function fitOf(from: Box, to: Box, { keep, size }: SwapOptions): Fit {
  const ratios = [0, 1, 2].map((k) => {
    const [a, b] = [from.high[k] - from.low[k], to.high[k] - to.low[k]]
    return a > 1e-12 && b > 1e-12 ? a / b : 1
  })
  const least = Math.min(...ratios)
  const factors: Vec3 =
    size === 'part' ? [1, 1, 1] : size === 'fit' ? [least, least, least] : (ratios as unknown as Vec3)
  const anchor = ({ low, high }: Box): Vec3 => {
    if (keep === 'pivot') return [0, 0, 0]
    const middle = [0, 1, 2].map((k) => (low[k] + high[k]) / 2) as Vec3
    return keep === 'base' ? [middle[0], low[1], middle[2]] : middle
  }
  const [a, b] = [anchor(from), anchor(to)]
  const move = a.map((n, k) => n - b[k] * factors[k]) as Vec3
  return {
    ...(move.some((n) => Math.abs(n) > 1e-15) && { move }),
    ...(factors.some((n) => Math.abs(n - 1) > 1e-15) && { size: factors }),
  }
}

/** Gives chosen copies of a pattern another part; each keeps what is to be kept of its place. */
export function swapCopies(
  pattern: Pattern,
  table: InstanceTable,
  keys: Iterable<string>,
  to: string,
  options: SwapOptions,
  idOf: (thing: number) => string,
  boxOf: (id: string) => Box,
): void {
  for (const key of keys) {
    const row = table.rowOf(key)
    if (row < 0) continue
    const from = idOf(table.thing[row])
    if (from === to) continue
    const { move = [0, 0, 0], size = [1, 1, 1] } = fitOf(boxOf(from), boxOf(to), options)
    const stands = within(table.placingOf(row), { move, turn: [0, 0, 0, 1], size })
    giveCopy(pattern, table, row, key, from, to, stands)
  }
}

/** Puts a part in the place of another wherever a pattern uses it: in its deal, on its spots, on touched-up copies. The pattern stays one. */
export function swapInPattern(
  pattern: Pattern,
  from: string,
  to: string,
  options: SwapOptions,
  boxOf: (id: string) => Box,
): void {
  if (from === to || !thingsUsed(pattern).has(from)) return
  const taken = thingsUsed(pattern).has(to)
  const before = pattern.fits?.[from] ?? {}
  Object.assign(pattern, withUsed({ ...pattern, deal: withLots(pattern.deal) }, from, to))
  // Where the pattern has the new part already, that keeps the fit which it has.
  if (taken) return
  const fit = fitOf(boxOf(from), boxOf(to), options)
  const joined = joinedFit(before, fit)
  const fits = Object.fromEntries(Object.entries(pattern.fits ?? {}).filter(([id]) => id !== from))
  if (joined.move || joined.size) fits[to] = joined
  if (Object.keys(fits).length > 0) pattern.fits = fits
  else delete pattern.fits
}

/** Two fits one after the other. */
function joinedFit(first: Fit, second: Fit): Fit {
  const size = first.size ?? [1, 1, 1]
  const move = [0, 1, 2].map((k) => (first.move?.[k] ?? 0) + size[k] * (second.move?.[k] ?? 0)) as Vec3
  const sized = [0, 1, 2].map((k) => size[k] * (second.size?.[k] ?? 1)) as Vec3
  return {
    ...(move.some((n) => Math.abs(n) > 1e-15) && { move }),
    ...(sized.some((n) => Math.abs(n - 1) > 1e-15) && { size: sized }),
  }
}

/** The same in every pattern and in every assembly, except inside the new part itself. */
export function swapEverywhere(
  project: Project,
  from: string,
  to: string,
  options: SwapOptions,
  boxOf: (id: string) => Box,
): void {
  for (const pattern of project.patterns) swapInPattern(pattern, from, to, options, boxOf)
  const { move = [0, 0, 0], size = [1, 1, 1] } = fitOf(boxOf(from), boxOf(to), options)
  for (const part of project.parts) {
    if (part.id === to || part.shape.kind !== 'assembly') continue
    for (const member of part.shape.members) {
      if (member.part !== from) continue
      member.part = to
      member.move = member.move.map((n, k) => n + move[k] * member.size[k]) as Vec3
      member.size = member.size.map((n, k) => n * size[k]) as Vec3
    }
  }
}

/** What a swap would change, pattern by pattern: how many of its copies. */
export function swapTouches(
  project: Project,
  tables: ReadonlyMap<string, InstanceTable>,
  from: string,
): { readonly pattern: string; readonly copies: number }[] {
  const thing = [...project.parts, ...project.patterns].findIndex((t) => t.id === from)
  return project.patterns.flatMap(({ id, name }) => {
    const table = tables.get(id)
    let copies = 0
    for (let k = 0; k < (table?.count ?? 0); k++) if (table!.thing[k] === thing) copies++
    return copies > 0 ? [{ pattern: name, copies }] : []
  })
}

/** What a swap may carry over from the part that was there: all of its look, or only whether it is smooth or faceted. */
export type Carried = 'look' | 'shading'

/** A part of its own with the shape of one and something of the look of another. */
export function inLookOf(shape: Part, look: Part, carried: Carried, id: string, name: string): Part {
  if (carried === 'look') return { ...shape, id, name, look: look.look }
  const own = { ...shape.look }
  if (look.look.faceted) own.faceted = true
  else delete own.faceted
  return { ...shape, id, name, look: own }
}

/** Lets the swapped copies of a pattern be called by their part again, where they had names of their own. */
export function renameSwapped({ layout }: Pattern, swapped: (key: string, part: string | undefined) => boolean): void {
  definitionOf(layout).dropNames?.(layout, swapped)
}

/** How a pattern uses one part in the place of another; what it was before, and what it says aside of the first, stays. */
function withUsed(
  { deal, layout, touchUps }: Pattern,
  from: string,
  to: string,
): Pick<Pattern, 'deal' | 'layout' | 'touchUps'> {
  const schema = patternSchema.pick({ deal: true, layout: true, touchUps: true })
  return renamed(schema, { deal, layout, touchUps }, (_, id, takes) => (id === from && takes === 'copies' ? to : id))
}
