import type { IgnoredFinding, Project } from '../model/project'
import type { Finding } from './definition'

/** The things that a finding is about, in one order. */
const aboutOf = ({ pattern, part, other, parts = [], things = [] }: Finding): string[] =>
  [pattern, part, other?.pattern, ...parts, ...things].filter((id) => id !== undefined).sort()

const isOf = ({ what, about }: IgnoredFinding, finding: Finding): boolean =>
  what === finding.what && about.join(' ') === aboutOf(finding).join(' ')

/** Whether a finding was ignored, and there is no more of it than there was then. */
export const isIgnored = (finding: Finding, { ignored }: Pick<Project, 'ignored'>): boolean =>
  ignored.some((one) => isOf(one, finding) && finding.count <= one.count)

/** The list with a finding in it, in place of how it was ignored before. */
export const withIgnored = (list: readonly IgnoredFinding[], finding: Finding, id: string): IgnoredFinding[] => [
  ...list.filter((one) => !isOf(one, finding)),
  { id, what: finding.what, about: aboutOf(finding), count: finding.count },
]
