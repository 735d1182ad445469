import type { WriterChoice } from '../definition'
import type { WorkedScene } from '../scene'

/** What may be chosen of any table. */
export const tableChoices: readonly WriterChoice[] = [
  {
    key: 'unit',
    before: 'lengths in',
    label: 'Lengths are in',
    values: [
      { value: 'project', words: 'the unit of the project' },
      { value: 'mm', words: 'mm' },
      { value: 'cm', words: 'cm' },
      { value: 'm', words: 'm' },
      { value: 'in', words: 'inches' },
    ],
  },
  {
    key: 'up',
    before: 'with',
    label: 'Up is',
    values: [
      { value: 'y', words: 'y up' },
      { value: 'z', words: 'z up' },
    ],
  },
  {
    key: 'turn',
    before: 'turns',
    label: 'Turns are',
    values: [
      { value: 'degrees', words: 'in degrees about the axes' },
      { value: 'quaternion', words: 'as quaternions' },
      { value: 'matrix', words: 'and places as matrices' },
    ],
  },
]

export const usualTable = { unit: 'project', up: 'y', turn: 'degrees' } as const

export const cannotHold = ({ project }: WorkedScene): string[] => [
  'shapes and looks of parts',
  ...(project.patterns.length > 0 ? ['what places the copies: sentences, steps and touch-ups'] : []),
]
