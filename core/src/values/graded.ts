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
export const easings = ['evenly', 'slowFirst', 'slowLast', 'slowBoth'] as const
export type Easing = (typeof easings)[number]
