import { definitionOf } from '../layouts/index'
import type { Part } from '../model/part'
import { type Pattern, pattern as schema } from '../model/pattern'
import type { Project } from '../model/project'
import { freeName } from '../names'
import type { Sentence } from '../words'
import { headingsIn, remarksIn } from './aside'
import { bind, fieldsOf } from './bind'
import { type Item, beginLayout, bestOf, candidates, isLayoutItem } from './candidates'
import { withChances } from './chances'
import { begunSolid, described, solidAt } from './described'
import { knowledge } from './knowledge'
import { unquoted } from './names'
import type { Surroundings, Template } from './nodes'
import { sentencesOf } from './patternText'
import type { Reading, Stuck } from './reading'
import { nearestWord } from './spelling'
import { readingOf } from './textReading'
import { type Token, tokensOf } from './tokens'

/** A piece of a text that is not understood, and what would be. */
export interface TextMark {
  readonly at: number
  readonly end: number
  readonly says: Sentence
}

/** What a text makes, or where it cannot be read; half of it makes nothing. */
export interface ReadText {
  readonly parts: readonly Part[]
  readonly patterns: readonly Pattern[]
  readonly marks: readonly TextMark[]
  /** Numbers of which all were said that go together: "line" of a pattern, of which one is to be worked out. */
  readonly overSaid: readonly { readonly pattern: string; readonly triple: string }[]
  /** Where each pattern is said. */
  readonly ranges: readonly { readonly at: number; readonly end: number }[]
}

/** What is read may take things of a project, and begins as things do there. */
export interface World {
  readonly project: Project
  /** The part that is placed where none is named. */
  readonly part?: string | undefined
  newId(kind: string): string
}

/** No text that a person writes is longer. */
const MOST_CHARACTERS = 200_000
/** What is taken from a pattern that is not there, or has none of it. */
const NOT_HERE: Sentence = [
  'Nothing here has that name, or what could be taken from it. Open the project that has it, or leave this out.',
]

/**
 * Reads sentences as they are copied, or as they are typed: patterns by their layouts, deals, steps and places, under a name
 * where a line ends in a colon; parts as they are called or described. Words stand in the order of the sentence, its phrases in
 * any; small words, capital letters and plurals are forgiven. What is left out is neutral.
 *
 * The templates of the sentences are their own grammar, so that what is written by one is read by it: a generated parser would be
 * a second description of each layout and step, to be kept like the first.
 */
export function readText(text: string, world: World): ReadText {
  if (text.length > MOST_CHARACTERS)
    return nothingBut({ at: 0, end: text.length, says: ['This text is too long to be read. Paste a piece of it.'] })
  return new TextReader(text, world).read()
}

const nothingBut = (mark: TextMark): ReadText => ({ parts: [], patterns: [], marks: [mark], overSaid: [], ranges: [] })

class TextReader {
  private readonly tokens: Token[]
  private readonly marks: TextMark[] = []
  private readonly overSaid: ReadText['overSaid'][number][] = []
  private readonly ranges: { at: number; end: number }[] = []
  private readonly parts: Part[] = []
  private readonly patterns: Pattern[] = []
  /** Headings by the token before which they stand, with the ids of what they name. */
  private readonly headings: { readonly name: string; readonly at: number; readonly end: number; readonly id: string }[]
  private made: readonly Part[] = []
  private readonly misfits: Reading['misfits'] = []
  private at = 0

  constructor(
    private readonly text: string,
    private readonly world: World,
  ) {
    this.headings = headingsIn(text).map((heading) => ({ ...heading, id: world.newId('pattern') }))
    const aside = [...this.headings, ...remarksIn(text)]
    this.tokens = tokensOf(text).filter(({ at }) => !aside.some((a) => at >= a.at && at < a.end))
  }

  read(): ReadText {
    this.readParts()
    for (const [i, heading] of [undefined, ...this.headings].entries()) {
      const from = heading?.end ?? 0
      const to = this.headings[i]?.at ?? this.text.length
      const count = this.tokens.filter(({ at }) => at >= from && at < to).length
      const start = this.tokens.findIndex(({ at }) => at >= from && at < to)
      if (count > 0) this.readPatterns(start, start + count, heading)
      else if (heading)
        this.mark(heading.at, heading.end, ['Nothing is said under ', { words: heading.name, tone: 'plain' }, '.'])
    }
    if (this.patterns.length === 0 && this.parts.length === 0 && this.marks.length === 0)
      this.mark(0, this.text.length, ['Say what is placed and how, such as “Place 9 in a line across, 12 mm gap”.'])
    const isRead = this.marks.length === 0
    return {
      parts: isRead ? this.newParts() : [],
      patterns: isRead ? this.patterns : [],
      marks: this.marks,
      overSaid: isRead ? this.overSaid : [],
      ranges: isRead ? this.ranges : [],
    }
  }

  /** Parts that are not there yet, under names that are free. */
  private newParts(): Part[] {
    const known = new Set(this.world.project.parts)
    const taken = this.world.project.parts.map((p) => p.name)
    return [...this.parts, ...this.made]
      .filter((part) => !known.has(part))
      .map((part) => {
        const name = freeName(part.name, taken)
        taken.push(name)
        return { ...part, name }
      })
  }

  private mark(at: number, end: number, says: Sentence): void {
    this.marks.push({ at, end, says })
  }

  /** Everything that can be named: what the project has, and what the text makes. */
  private project(): Project {
    const { project } = this.world
    // What a heading names may be said further down.
    const named = this.headings.map((heading) => this.begun(heading))
    // What the text itself names comes before what the project calls so.
    return {
      ...project,
      parts: [...this.parts, ...this.made, ...project.parts],
      patterns: [...named.map((n) => this.patterns.find((p) => p.id === n.id) ?? n), ...project.patterns],
    }
  }

  /** "Sencha is a cylinder 119 mm wide, 150 mm tall.": parts that are defined, wherever they stand; their tokens are taken out. */
  private readParts(): void {
    for (let i = 0; i + 2 < this.tokens.length; i++) {
      const isStart =
        i === 0 ||
        this.tokens[i - 1].text === '.' ||
        this.text.slice(this.tokens[i - 1].end, this.tokens[i].at).includes('\n')
      if (!isStart) continue
      const is = this.tokens.slice(i, i + 12).findIndex(({ text }) => text.toLowerCase() === 'is')
      const kind = is > 0 ? solidAt(i + is + 1, this.tokens) : undefined
      if (!kind) continue
      const [first, last] = [this.tokens[i], this.tokens[i + is - 1]]
      const name = is === 1 && first.is === 'quoted' ? unquoted(first.text) : this.text.slice(first.at, last.end)
      const begun = begunSolid(kind.kind, this.world.newId('part'), name.slice(0, 80), this.project().parts.length)
      const { part, next } = described(begun, kind, this.reading(this.project()))
      this.parts.push(this.known(part) ?? part)
      let end = next
      if (this.tokens[end]?.text === '.') end++
      this.tokens.splice(i, end - i)
      i--
    }
  }

  /** The part of the project that is called and made so: it is not made again. */
  private known(part: Part): Part | undefined {
    const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b)
    return this.world.project.parts.find(
      (p) => p.name.toLowerCase() === part.name.toLowerCase() && same(p.shape, part.shape) && same(p.form, part.form),
    )
  }

  private lastReading: { readonly by: readonly unknown[]; readonly reading: Reading } | undefined
  /** What is known for the tokens before one; the same while nothing was made since. */
  private readingUpTo(to: number): Reading {
    const by = [to, this.made, this.patterns.length]
    if (!this.lastReading?.by.every((b, i) => b === by[i]))
      this.lastReading = { by, reading: { ...this.reading(this.project()), tokens: this.tokens.slice(0, to) } }
    return this.lastReading.reading
  }

  private reading(project: Project): Reading {
    const { text, tokens, world, misfits } = this
    return readingOf({ text, tokens, misfits, project, before: world.project, newId: world.newId })
  }

  private readPatterns(from: number, to: number, heading: (typeof this.headings)[number] | undefined): void {
    let pattern: Pattern | undefined
    let item: Item | undefined
    let said: string[] = []
    let worked: string[] = []
    let began = from
    let isLaidOut = false
    let maybe: Stuck | undefined
    this.at = from
    const finish = (): void => {
      if (!pattern) return
      if (!isLaidOut)
        return this.mark(this.tokens[began].at, this.tokens[to - 1].end, [
          'Say how its copies are placed: in a line, a grid, a ring, along a path …',
        ])
      for (const triple of new Set(said.map((s) => s.split(' ')[0]).filter(Boolean))) {
        const of = (list: readonly string[]) => new Set(list.filter((s) => s.startsWith(`${triple} `)))
        if (of(said).size >= (triple === 'path' ? 2 : 3) && of(worked).size === 0)
          this.overSaid.push({ pattern: pattern.id, triple })
      }
      this.finishPattern(pattern, began, Math.min(this.at, to))
    }
    for (;;) {
      this.skip(to)
      if (this.at >= to) break
      const reading = this.readingUpTo(to)
      const start = this.chancesAt(pattern)
      if (start) {
        pattern = start.pattern
        this.at = start.next
        continue
      }
      const now = pattern ?? this.begun(heading)
      const found = bestOf(
        candidates(now, item, isLaidOut ? this.begun(undefined) : undefined, this.world.newId),
        this.at,
        this.made,
        reading,
      )
      if ('stuck' in found) {
        if (this.skipRemark(to)) continue
        const { at, wants } = found.stuck
        const left = maybe?.at === at ? maybe.wants() : []
        this.notUnderstood(at, [...left, ...wants()], to)
        continue
      }
      const { candidate, state } = found
      if (isLayoutItem(candidate) && candidate.isNew) {
        if (pattern && isLaidOut) {
          finish()
          said = []
          worked = []
          began = this.at
        }
        isLaidOut = true
      }
      pattern = state.root
      maybe = state.maybe
      for (const { from: first, to: after } of state.unknown)
        this.mark(this.tokens[first].at, this.tokens[after - 1].end, NOT_HERE)
      this.made = state.made
      said = [...said, ...state.said]
      worked = [...worked, ...state.worked]
      item = {
        ...candidate.item,
        last: candidate.phrase,
        used: new Set([...candidate.item.used, candidate.phrase]),
      }
      this.at = state.at
    }
    finish()
  }

  /** Past what parts phrases. */
  private skip(to: number): void {
    for (;;) {
      const token = this.tokens[this.at]
      if (this.at >= to || !token) return
      if (/^[.,;:]$/.test(token.text) || token.text.toLowerCase() === 'and') this.at++
      else return
    }
  }

  /** Past a remark in brackets; false where there is none. */
  private skipRemark(to: number): boolean {
    if (this.tokens[this.at]?.text !== '(') return false
    while (this.at < to && this.tokens[this.at].text !== ')') this.at++
    this.at = Math.min(this.at + 1, to)
    return true
  }

  /** A pattern as it stands before anything is said of it. */
  private begun(heading: (typeof this.headings)[number] | undefined): Pattern {
    const { project, part, newId } = this.world
    const thing = part ?? project.parts[0]?.id
    const layout = beginLayout('line')
    return {
      id: heading?.id ?? newId('pattern'),
      name: heading?.name ?? '',
      place: { move: [0, 0, 0], turn: [0, 0, 0] },
      deal: { kind: 'inTurn', parts: thing ? [thing] : [] },
      layout,
      steps: [],
      touchUps: {},
      hidden: false,
    }
  }

  /** Marks what is not understood and goes on after it. */
  private notUnderstood(at: number, wants: readonly string[], to: number): void {
    const token = this.tokens[Math.min(at, to - 1)]
    let end = Math.max(at, this.at) + 1
    while (end < to && !/^[.,;]$/.test(this.tokens[end].text)) end++
    const last = this.tokens[Math.min(end, to) - 1]
    const near = token.is === 'word' ? nearestWord(token.text, wants) : undefined
    const choices = [...new Set(wants)].slice(0, 6).join(', ')
    const misfit = this.misfits.find((m) => m.at === at)
    if (misfit) this.mark(token.at, last.end, misfit.says)
    else if (at >= to) this.mark(token.at, token.end, [`It goes on after “${token.text}”: ${choices}.`])
    else
      this.mark(token.at, token.end, [
        near
          ? `“${token.text}” is not understood here. Is “${near}” meant?`
          : `“${token.text.slice(0, 60)}” is not understood here.${choices ? ` It could be: ${choices}.` : ''}`,
      ])
    this.at = end
  }

  /** "Chances drawn as …": what is left to chance is drawn under these ids, so that it comes out as it did. */
  private chancesAt(pattern: Pattern | undefined): { pattern: Pattern; next: number } | undefined {
    const words = ['chances', 'drawn', 'as']
    if (!pattern || !words.every((word, i) => this.tokens[this.at + i]?.text.toLowerCase() === word)) return undefined
    const token = this.tokens[this.at + words.length]
    if (token?.is !== 'quoted') return undefined
    return { pattern: withChances(pattern, unquoted(token.text)), next: this.at + words.length + 1 }
  }

  private finishPattern(pattern: Pattern, from: number, to: number): void {
    const range = { at: this.tokens[from].at, end: this.tokens[to - 1].end }
    this.ranges.push(range)
    const { layout, deal } = pattern
    const deals = definitionOf(layout).deals?.(layout) ?? true
    const isMarked = this.marks.some(({ at }) => at >= range.at && at < range.end)
    if (deals && deal.parts.length === 0 && !isMarked)
      this.mark(range.at, range.end, [
        'Say what is placed: the name of a part, or “a box 100 mm wide, 40 mm tall, 60 mm deep”.',
      ])
    const { host, images } = definitionOf(layout)
    if (host && host(layout) === '') this.mark(range.at, range.end, ['Say with which pattern’s copies it goes.'])
    if (images && images(layout).sources.some(({ id }) => id === ''))
      this.mark(range.at, range.end, ['Say what is mirrored: the name of a pattern.'])
    for (const says of refusals(pattern, { project: this.project(), unit: this.world.project.unit, knows: knowledge }))
      this.mark(range.at, range.end, says)
    const missing = this.marks.length > 0 ? undefined : missingIn({ ...pattern, name: pattern.name || 'Pattern' })
    if (missing) this.mark(range.at, range.end, missing)
    const things = this.project()
    const named =
      things.parts.find(({ id }) => id === deal.parts[0])?.name ??
      things.patterns.find(({ id }) => id === deal.parts[0])?.name
    const wanted = pattern.name || `${named ?? ''} ${definitionOf(layout).words.toLowerCase()}`.trim()
    const name = freeName(
      wanted.slice(0, 80),
      [...this.world.project.patterns, ...this.patterns].map((p) => p.name),
    )
    this.patterns.push({ ...pattern, name, ...(deals ? {} : { deal: { kind: 'inTurn', parts: [] } }) })
  }
}

/** What is missing of a pattern that is not whole: most of all a drawing that is taken from nowhere. */
const missingIn = (pattern: Pattern): Sentence | undefined => {
  const issue = schema.safeParse(pattern).error?.issues[0]
  if (!issue) return undefined
  return issue.path.includes('curve')
    ? ['Its curve is drawn: say from which pattern it is taken, as “27 pieces as in” its name.']
    : [`This cannot be so: ${issue.message} (${issue.path.join(', ')}).`]
}

/** Why numbers of a pattern cannot be as they are said, each reason once. */
function refusals(pattern: Pattern, around: Surroundings): Sentence[] {
  const found = new Map<string, Sentence>()
  for (const { template, into } of sentencesOf(pattern))
    for (const field of fieldsOf(
      bind(template as Template<unknown>, { root: pattern, into }, { ...around, pattern }),
    )) {
      const says = field.is === 'number' && field.state !== 'worked' ? field.check(field.value) : undefined
      if (says) found.set(JSON.stringify(says), says)
    }
  return [...found.values()]
}
