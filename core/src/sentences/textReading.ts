import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'
import { freeName } from '../names'
import { newSolids } from '../parts/newParts'
import { inPhases } from '../steps/index'
import { begunSolid, described, solidAt } from './described'
import { knowledge } from './knowledge'
import { type Named, NameBook, singular } from './nameBook'
import type { Surroundings } from './nodes'
import { rememberedNumbers } from './patternNumbers'
import type { Reading } from './reading'
import type { Token } from './tokens'

/** What a text is read against. */
interface Given {
  readonly text: string
  readonly tokens: readonly Token[]
  readonly misfits: Reading['misfits']
  /** Everything that can be named, what the text makes before what there was. */
  readonly project: Project
  /** What there was: only from there something drawn can be taken. */
  readonly before: Project
  newId(kind: string): string
}

/** What is known while a text is read: its names, and the things that it describes. */
export function readingOf({ text, tokens, misfits, project, before, newId }: Given): Reading {
  const knows = { ...knowledge, numbersOf: rememberedNumbers() }
  const around: Surroundings = { project, unit: project.unit, knows, isText: true }
  const { patterns, parts } = before
  const owners = new NameBook([...patterns, ...parts].map(({ id, name }): Named => ({ name, value: id })))
  const things = new NameBook([...project.parts, ...project.patterns].map(({ id, name }) => ({ name, value: id })))
  const reading: Reading = {
    text: text,
    tokens: tokens,
    unit: project.unit,
    misfits: misfits,
    around,
    known: new WeakMap(),
    owner: ({ at }) => {
      const found = owners.at(text, tokens, at)
      const root = found && [...patterns, ...parts].find(({ id }) => id === found.value)
      return found && root && { root: 'steps' in root ? inOrder(root) : root, next: found.next }
    },
    thing: (at, made) => {
      const begin = tokens[at]?.text.toLowerCase() === 'of' ? at + 1 : at
      const after = /^(a|an)$/i.test(tokens[begin]?.text ?? '') ? begin + 1 : begin
      const named = things.at(text, tokens, after)
      if (named) return { ids: [named.value], next: named.next, made }
      const solid = solidAt(begin, tokens)
      if (solid) {
        const taken = [...project.parts, ...made].map((p) => p.name)
        const name = freeName(newSolids[solid.kind].words, taken)
        const begun = begunSolid(solid.kind, newId('part'), name, taken.length)
        const { part, next } = described(begun, solid, reading)
        return { ids: [part.id], next, made: [...made, part] }
      }
      // By what they are, where that is the end of their names: "tins" are Sencha tin, Hojicha tin and Mugi tin.
      const sort = tokens[after]?.is === 'word' ? singular(tokens[after].text.toLowerCase()) : undefined
      const ids = project.parts
        .filter(({ name }) => sort !== undefined && lastWordOf(name) === sort)
        .map(({ id }) => id)
      return ids.length > 0 ? { ids, next: after + 1, made } : undefined
    },
  }
  return reading
}

/** A pattern with its steps in the order in which they are said. */
const inOrder = (pattern: Pattern): Pattern => ({ ...pattern, steps: inPhases(pattern.steps) })

/** What a thing is called by its last word: "tin". */
const lastWordOf = (name: string): string => singular(name.toLowerCase().split(/\s+/).at(-1) ?? '')
