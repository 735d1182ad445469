/** What a step changes by a number: size as a factor, move in metres, turn in radians. */
export const graded = [
  'size',
  'sizeAcross',
  'sizeUp',
  'sizeDeep',
  'moveAcross',
  'moveUp',
  'moveDeep',
  'turnAcross',
  'turnUp',
  'turnDeep',
] as const
export type Graded = (typeof graded)[number]
/** Whether it is a move, in metres. */
export const isMove = (what: string): boolean => what.startsWith('move')
export const easings = ['evenly', 'slowFirst', 'slowLast', 'slowBoth'] as const
export type Easing = (typeof easings)[number]
