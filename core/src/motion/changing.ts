import type { Project } from '../model/project'
import { movementDefinitionOf } from './index'

/** Whether any number of a project changes in time. */
export const changesInTime = ({ patterns }: Pick<Project, 'patterns'>): boolean =>
  patterns.some(({ motion }) => motion?.some((movement) => movementDefinitionOf(movement).valueAt))
