import type { PatternOutcome } from '../evaluation/outcome'
import type { Project } from '../model/project'
import { freeName } from '../names'
import type { Result } from '../words'
import type { Body } from './body'
import type { Around } from './definition'
import { liveLine } from './liveLine'
import { livePath } from './livePath'
import { liveRing } from './liveRing'
import type { Space } from './space'
import type { SplitNames } from './splitOff'

/** What spaced copies become, by what they were spaced along. */
export const liveWord = ({ along }: Pick<Space, 'along'>): 'line' | 'ring' | 'path' =>
  along === 'path' ? 'path' : along === 'round' ? 'ring' : 'line'

const makers = { line: liveLine, ring: liveRing, path: livePath }

/**
 * The project in which copies that were spaced are placed by a pattern of its own, with their spacing as a value to be changed.
 *
 * @param how as they were spaced last
 * @returns refused where they are not evenly spaced, or would move by more than 1e-9 m
 */
export const madeLiveAs = (
  worked: Around,
  bodies: readonly Body[],
  how: Space,
  names: SplitNames,
  evaluate: (project: Project) => readonly PatternOutcome[],
): Result<Project> => makers[liveWord(how)](worked, bodies, how, names, evaluate)

/** The name of what is made of copies of a pattern. */
export function liveName({ patterns }: Project, how: Pick<Space, 'along'>, from: string): string {
  const word = liveWord(how)
  return freeName(
    `${word[0].toUpperCase()}${word.slice(1)} of ${from}`.slice(0, 80),
    patterns.map((p) => p.name),
  )
}
