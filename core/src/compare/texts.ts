import { diffArrays } from 'diff'
import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'
import { knowledge } from '../sentences/knowledge'
import type { CameOut } from '../sentences/nodes'
import { patternAsText } from '../sentences/patternText'

/** A piece of a text that is in both, or only in one of them. */
export interface Piece {
  readonly text: string
  readonly in: 'both' | 'first' | 'second'
}

/** What the sentences of one pattern say in two states. */
export interface ComparedText {
  readonly pattern: string
  readonly name: string
  readonly pieces: readonly Piece[]
}

/** A project and what its patterns came out as. */
export interface Said {
  readonly project: Project
  readonly outcomes: readonly CameOut[]
}

/**
 * The patterns whose sentences differ between two states, word by word (the O(ND) difference of Myers 1986, by the package diff). Those
 * that say what they said are left out; one that is only in one of them is told whole.
 */
export function compareTexts(from: Said, to: Said): ComparedText[] {
  const ids = new Set([...from.project.patterns, ...to.project.patterns].map(({ id }) => id))
  return [...ids].flatMap((pattern): ComparedText[] => {
    const [before, after] = [from, to].map((state) => state.project.patterns.find((p) => p.id === pattern))
    const [was, is] = [textOf(from, before), textOf(to, after)]
    if (was === is) return []
    const pieces = diffArrays(tokensOf(was), tokensOf(is)).map(({ value, added, removed }): Piece => ({
      text: value.join(''),
      in: added ? 'second' : removed ? 'first' : 'both',
    }))
    return [{ pattern, name: (after ?? before)!.name, pieces }]
  })
}

/** Words, whole numbers (12.7 is one), spaces, and signs one by one. */
const tokensOf = (text: string): string[] => text.match(/\d+(?:[.,]\d+)*|\p{L}+|\s+|[^]/gu) ?? []

function textOf({ project, outcomes }: Said, pattern: Pattern | undefined): string {
  if (!pattern) return ''
  const { laid, table } = outcomes.find(({ id }) => id === pattern.id) ?? {}
  const around = { project, unit: project.unit, knows: knowledge, pattern, laid, table }
  return patternAsText(pattern, around)
}
