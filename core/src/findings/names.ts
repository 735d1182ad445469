import type { Project } from '../model/project'

/** The names of a project's patterns and parts, for sentences. */
export const namesIn =
  ({ patterns, parts }: Pick<Project, 'patterns' | 'parts'>) =>
  (id: string): string =>
    [...patterns, ...parts].find((thing) => thing.id === id)?.name ?? ''
