import type { Part } from '../model/part'
import { isSolid } from '../model/part'
import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'
import { thingsUsed } from '../model/references'
import { colorSentence, partSentence } from '../parts/sentence'
import { besidesAsText } from './besides'
import { knowledge } from './knowledge'
import { quoted } from './names'
import type { CameOut, Surroundings } from './nodes'
import { patternAsText } from './patternText'
import { sentenceAsText } from './text'

/**
 * Patterns as text, each under its name: their parts first, as far as numbers tell them, so that the text makes the same in another
 * project. A part that numbers do not tell stands there as a remark; where all patterns are told, so does what the project has beside them.
 *
 * @param ids the patterns that are told; those of the project that are not rested on them are not
 * @param outcomes what patterns came out as: values that are worked out stand in brackets
 */
export function projectAsText(project: Project, ids: readonly string[], outcomes: readonly CameOut[] = []): string {
  const around: Surroundings = { project, unit: project.unit, knows: knowledge }
  const patterns = project.patterns.filter(({ id }) => ids.includes(id))
  const used = new Set(patterns.flatMap((pattern) => [...thingsUsed(pattern)]))
  const parts = project.parts.filter(({ id }) => used.has(id)).map((part) => partAsText(part, around))
  const besides = patterns.length === project.patterns.length ? besidesAsText(project) : ''
  return [parts.join('\n'), patternsAsText(project, ids, outcomes), besides].filter((text) => text !== '').join('\n\n')
}

/** The same of the patterns alone, each under its name. */
export function patternsAsText(project: Project, ids: readonly string[], outcomes: readonly CameOut[] = []): string {
  const around: Surroundings = { project, unit: project.unit, knows: knowledge }
  return project.patterns
    .filter(({ id }) => ids.includes(id))
    .map((pattern) => `${quoted(pattern.name)}:\n${patternAsText(pattern, told(pattern))}`)
    .join('\n\n')

  function told(pattern: Pattern): Surroundings {
    const { laid, table } = outcomes.find(({ id }) => id === pattern.id) ?? {}
    return { ...around, pattern, laid, table }
  }
}

/** "Sencha is a cylinder 119 mm wide, 150 mm tall, standing on its base. Its colour is #3a6b5f." */
export function partAsText(part: Part, around: Surroundings): string {
  const place = { root: part, into: (p: Part) => p }
  const says = sentenceAsText([...partSentence(part), ...colorSentence], place, around, part.name)
  const text = `${quoted(part.name)} is ${says[0].toLowerCase()}${says.slice(1)}`
  // What numbers do not tell cannot be made from a text.
  return isSolid(part.shape) && !isDrawn(part) ? text : `(${text})`
}

const isDrawn = ({ shape }: Part): boolean =>
  shape.kind === 'lathe' || ('curve' in shape && (shape.curve.kind === 'bezier' || shape.curve.kind === 'points'))
