import { produce } from 'immer'
import type { PatternOutcome } from '../evaluate'
import type { Want } from '../layouts/definition'
import { type LaidOut, type Layout, definitionOf } from '../layouts/index'
import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'
import type { Quantity } from '../numbers/units'
import { type BoundNumber, bind, fieldsOf } from '../sentences/bind'
import { knowledge } from '../sentences/knowledge'
import type { Facts, Segment, Sentence } from '../words'
import { ownSize, setOwnSize } from './ownSize'
import { type Root, rootsBetween } from './roots'

/** What is asked of a pattern: a value as it is to come out, and the number that pays for it. */
export interface Asked {
  readonly want: string
  readonly to: number
  readonly by: string
}

/** A number that can pay: one of the layout's sentence, or the size of the copies. */
export interface Payer {
  readonly key: string
  /** As it reads after "the". */
  readonly words: string
  readonly quantity: Quantity
  read(pattern: Pattern): number
  write(pattern: Pattern, to: number): void
  /** The number of the sentence that it is. */
  readonly field?: BoundNumber<Pattern>
}

/** The answer: the pattern as it then is, what was paid, and what else would do. */
export type Answer =
  | {
      readonly ok: true
      readonly pattern: Pattern
      readonly says: Sentence
      /** What the number that pays became, and what the wanted value came out as. */
      readonly paid: number
      readonly came: number
      readonly others: readonly number[]
    }
  | { readonly ok: false; readonly says: Sentence }

export type Evaluate = (project: Project) => readonly PatternOutcome[]

/** A length that comes out so near to what is wanted is it; others by as much of themselves. */
const NEAR = 1e-9
/** So far, in halvings and doublings, an answer is looked for from where the number is now. */
const FAR = 12
/** So many places to a halving, so that two answers near each other are both seen. */
const DENSE = 4

const wantsOf = (layout: Layout): readonly Want<Layout, LaidOut>[] => definitionOf(layout).wants ?? []

/** What can be wanted of a pattern as it comes out, with what it comes out as now. */
export const wantedOf = (
  { layout }: Pattern,
  { laid, table, facts }: Pick<PatternOutcome, 'laid' | 'table' | 'facts'>,
): { readonly key: string; readonly words: string; readonly quantity: Quantity; readonly now: number }[] =>
  wantsOf(layout).flatMap((want) => {
    const { key, words, quantity } = want
    const now = laid?.kind === layout.kind ? valueOf(want, laid, table.presentCount(), facts) : undefined
    return now === undefined || !Number.isFinite(now) ? [] : [{ key, words, quantity, now }]
  })

/** The numbers that can pay for what is wanted: all of the layout's sentence but that itself, and the size of the copies. */
export function payersOf(pattern: Pattern, project: Project, want: string): Payer[] {
  const asked = wantsOf(pattern.layout).find(({ key }) => key === want)
  const around = { knows: knowledge, project, unit: project.unit, pattern }
  const place = { root: pattern, into: (p: Pattern) => p.layout }
  const fields = fieldsOf(bind(definitionOf(pattern.layout).sentence, place, around)).flatMap((f): Payer[] =>
    f.is !== 'number' || f.isSeed || f.label === asked?.field
      ? []
      : [
          {
            key: f.label,
            words: `${f.label[0].toLowerCase()}${f.label.slice(1)}`,
            quantity: f.quantity,
            read: f.read,
            write: f.write,
            field: f,
          },
        ],
  )
  const size: Payer = {
    key: 'size',
    words: 'size of the copies',
    quantity: 'share',
    read: ownSize,
    write: setOwnSize,
  }
  return [...fields, size]
}

/**
 * Works out the number that pays for a value that is wanted: the radius that gives 18 cups a gap of 12 mm, the size that lets 40
 * fit into 3 m. Where the two are held by each other (count, spacing, room or radius) the layout works it out by itself from then
 * on, in closed form where there is one; otherwise the number is found where the value comes out as it is wanted, to the last
 * double that the layout tells apart (1e-12 of itself, or 1e-9 m where outlines are measured).
 *
 * @returns why there is no answer, with the nearest that there is
 */
export function ask(pattern: Pattern, { want: key, to, by }: Asked, project: Project, evaluate: Evaluate): Answer {
  const want = wantsOf(pattern.layout).find((w) => w.key === key)
  const payer = payersOf(pattern, project, key).find((p) => p.key === by)
  if (!want || !payer) return { ok: false, says: ['Choose what is wanted, and what pays for it.'] }
  const outcomeOf = (changed: Pattern): PatternOutcome => {
    const at = project.patterns.findIndex((p) => p.id === pattern.id)
    return evaluate({ ...project, patterns: project.patterns.with(at, changed) })[at]
  }
  return byHold(pattern, want, payer, to, outcomeOf) ?? bySearch(pattern, want, payer, to, outcomeOf)
}

/** As it is measured on the copies as they stand, the least of it; as the layout has it where nothing is measured. */
function valueOf(want: Want<Layout, LaidOut>, laid: LaidOut, copies: number, facts: Facts): number | undefined {
  const told = facts.find(({ about }) => about === want.fact)?.says
  const measured = told?.findLast((segment) => typeof segment === 'object' && 'lengths' in segment)
  if (measured && typeof measured === 'object' && 'lengths' in measured) return measured.lengths[0]
  return want.read(laid, copies)
}

const read = (want: Want<Layout, LaidOut>, { problem, laid, table, facts }: PatternOutcome): number =>
  problem || !laid ? NaN : (valueOf(want, laid, table.presentCount(), facts) ?? NaN)

/** Both belong together: the one is held, and the other let go, so that it is worked out by the layout. */
function byHold(
  pattern: Pattern,
  want: Want<Layout, LaidOut>,
  payer: Payer,
  to: number,
  outcomeOf: (changed: Pattern) => PatternOutcome,
): Answer | undefined {
  const { field } = payer
  if (!field?.triple || !want.ask || !field.letGo) return undefined
  const asked = produce(pattern, (draft: Pattern) => {
    want.ask!(draft.layout, to)
    field.letGo!(draft)
  })
  const outcome = outcomeOf(asked)
  if (outcome.problem) return { ok: false, says: outcome.problem.says }
  const came = read(want, outcome)
  // A count that is worked out keeps at least what is asked; nothing else may be off.
  if (payer.quantity !== 'count' && Math.abs(came - to) > NEAR * Math.max(1, Math.abs(to))) return undefined
  const paid = outcome.laid?.kind === asked.layout.kind ? shownOf(asked, payer, outcome) : NaN
  return answer(asked, want, payer, paid, came, [])
}

/** What a number of the sentence came out as. */
function shownOf(pattern: Pattern, { key, read: own }: Payer, { laid, table }: PatternOutcome): number {
  const around = { knows: knowledge, project: NOTHING, unit: 'mm' as const, pattern, laid, table }
  const place = { root: pattern, into: (p: Pattern) => p.layout }
  const field = fieldsOf(bind(definitionOf(pattern.layout).sentence, place, around)).find((f) => f.label === key)
  return field?.is === 'number' ? field.value : own(pattern)
}
const NOTHING = { parts: [], patterns: [], groups: [], sets: [] } as unknown as Project

function bySearch(
  pattern: Pattern,
  want: Want<Layout, LaidOut>,
  payer: Payer,
  to: number,
  outcomeOf: (changed: Pattern) => PatternOutcome,
): Answer {
  const withPaid = (paid: number): Pattern => produce(pattern, (draft: Pattern) => payer.write(draft, paid))
  const refused = (paid: number): boolean => payer.field?.check(paid) !== undefined
  const tried: Root[] = []
  const value = (paid: number): number => {
    if (refused(paid)) return NaN
    const left = read(want, outcomeOf(withPaid(paid))) - to
    if (!Number.isNaN(left)) tried.push({ at: paid, left })
    return left
  }
  const now = payer.field?.state === 'worked' ? payer.field.value : payer.read(pattern)
  const places = placesAround(now, payer.quantity)
  const found =
    want.quantity === 'count' ? stepsOf(value, places) : rootsBetween(value, places, NEAR * Math.max(1, Math.abs(to)))
  if (found.length === 0) return { ok: false, says: none(want, payer, to, tried) }
  const far = ({ at }: Root): number => (now > 0 && at > 0 ? Math.abs(Math.log(at / now)) : Math.abs(at - now))
  const [best, ...others] = found.toSorted((a, b) => far(a) - far(b))
  const asked = withPaid(payer.quantity === 'count' ? Math.round(best.at) : best.at)
  return answer(
    asked,
    want,
    payer,
    best.at,
    best.left + to,
    others.map(({ at }) => at),
  )
}

/** Where an answer is looked for: by halves and doubles of a number, on both sides of 0 where it may lie there. */
function placesAround(now: number, quantity: Quantity): number[] {
  if (quantity === 'count') return Array.from({ length: 400 }, (_, i) => i + 1)
  // Round and round twice at the most, the way that it goes now.
  if (quantity === 'angle')
    return Array.from({ length: 145 }, (_, i) => (i * Math.PI) / 36)
      .concat(Math.abs(now))
      .map((n) => (now < 0 ? -n : n))
      .sort((a, b) => a - b)
  const unit = Math.abs(now) || (quantity === 'length' ? 0.1 : 1)
  const scales = Array.from({ length: 2 * FAR * DENSE + 1 }, (_, i) => unit * 2 ** ((i - FAR * DENSE) / DENSE))
  return now > 0 ? scales : [...scales.map((n) => -n).reverse(), 0, ...scales]
}

/** Where a count changes to what is wanted: the last number on this side of the step. */
function stepsOf(value: (at: number) => number, places: readonly number[]): Root[] {
  const found: Root[] = []
  const all = places.map((at) => ({ at, left: value(at) })).filter(({ left }) => !Number.isNaN(left))
  for (let i = 1; i < all.length; i++) {
    const [a, b] = [all[i - 1], all[i]]
    if ((a.left === 0) === (b.left === 0) && Math.sign(a.left) === Math.sign(b.left)) continue
    // The end of a run of what is wanted, or a step that skips it.
    let [inside, outside] = a.left === 0 ? [a, b] : [b, a]
    if (inside.left !== 0) {
      const between = runBetween(value, a, b)
      if (!between) continue
      ;[inside, outside] = between
    }
    for (let n = 0; n < 80; n++) {
      const at = (inside.at + outside.at) / 2
      if (at === inside.at || at === outside.at) break
      const left = value(at)
      if (left === 0) inside = { at, left }
      else outside = { at, left }
    }
    found.push(inside)
  }
  return found
}

/** A place between two where the count is what is wanted, if halving meets one. */
function runBetween(value: (at: number) => number, from: Root, to: Root): [Root, Root] | undefined {
  let [a, b] = [from, to]
  for (let n = 0; n < 60; n++) {
    const at = (a.at + b.at) / 2
    if (at === a.at || at === b.at) return undefined
    const left = value(at)
    if (Number.isNaN(left)) return undefined
    if (left === 0) return [{ at, left }, b]
    if (Math.sign(left) === Math.sign(a.left)) a = { at, left }
    else b = { at, left }
  }
  return undefined
}

const figure = (value: number, quantity: Quantity, tone?: 'good'): Segment =>
  ({ [quantity]: value, ...(tone && { tone }) }) as unknown as Segment

function answer(
  pattern: Pattern,
  want: Pick<Want<Layout, LaidOut>, 'words' | 'quantity'>,
  payer: Payer,
  paid: number,
  came: number,
  others: readonly number[],
): Answer {
  const says: Segment[] = [
    `The ${want.words} is `,
    figure(came, want.quantity, 'good'),
    `; the ${payer.words} pays for it: `,
    figure(paid, payer.quantity),
  ]
  if (others.length > 0) {
    says.push(others.length === 1 ? '. Another answer is ' : '. Other answers are ')
    for (const [i, at] of others.slice(0, 3).entries()) says.push(...(i > 0 ? [', '] : []), figure(at, payer.quantity))
  }
  return { ok: true, pattern, says: [...says, '.'], paid, came, others }
}

/** Why there is none, and how near it comes. */
function none(want: Want<Layout, LaidOut>, payer: Payer, to: number, tried: readonly Root[]): Sentence {
  const begin: Segment[] = [`The ${want.words} cannot be `, figure(to, want.quantity), ` by the ${payer.words}`]
  const nearest = tried.toSorted((a, b) => Math.abs(a.left) - Math.abs(b.left))[0]
  const moves = tried.some(({ left }) => Math.abs(left - tried[0].left) > NEAR)
  if (!nearest || !moves) return [...begin, ': it does not go by that. Choose another number that pays.']
  return [
    ...begin,
    ': the nearest that it comes to is ',
    figure(nearest.left + to, want.quantity),
    ', at ',
    figure(nearest.at, payer.quantity),
    '. Want that, or choose another number that pays.',
  ]
}
