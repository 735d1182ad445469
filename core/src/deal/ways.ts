import type { Deal } from './schema'

/** The ways of dealing, as a person picks them: by what, where there are several. */
export type DealChoice = 'inTurn' | 'random' | 'column' | 'row' | 'layer' | 'ring' | 'ends' | 'nth'

export const dealOptions: { value: DealChoice; words: string; note: string }[] = [
  { value: 'inTurn', words: 'in turn', note: 'the next of the list for each copy' },
  { value: 'random', words: 'at random', note: 'by weight and seed; it belongs to the copy' },
  { value: 'row', words: 'row by row', note: 'one for each row of a grid' },
  { value: 'column', words: 'column by column', note: 'one for each column of a grid' },
  { value: 'layer', words: 'layer by layer', note: 'one for each layer of a grid' },
  { value: 'ring', words: 'ring by ring', note: 'one for each ring, or contour of a path' },
  { value: 'ends', words: 'first, middle and last', note: 'ends of their own' },
  { value: 'nth', words: 'with every nth another', note: 'the second of the list now and then' },
]

export const choiceOfDeal = (deal: Deal): DealChoice => (deal.kind === 'by' ? deal.by : deal.kind)

/** The same parts dealt in another way; where it needs more or fewer, they are repeated or left out. */
export function dealAs(choice: DealChoice, { parts, variants }: Deal): Deal {
  const more = variants ? { variants } : {}
  const at = (i: number): string => parts[Math.min(i, parts.length - 1)]
  switch (choice) {
    case 'inTurn':
      return { kind: 'inTurn', parts: [...parts], ...more }
    case 'random':
      return { kind: 'random', parts: [...new Set(parts)], weights: [...new Set(parts)].map(() => 1), seed: 1, ...more }
    case 'ends':
      return { kind: 'ends', parts: parts.length > 1 ? [at(0), at(1), at(2)] : [at(0), at(0), at(0)], ...more }
    case 'nth':
      return { kind: 'nth', parts: [at(0), at(1)], every: 3, from: 3, ...more }
    default:
      return { kind: 'by', by: choice, parts: [...parts], ...more }
  }
}

/** How many parts a way of dealing takes exactly; undefined where it takes any number. */
export const partsTaken = (deal: Deal): number | undefined => ({ ends: 3, nth: 2 })[deal.kind as string]

/** What each place in the list is, where it is more than the next in turn. */
export function placeWords({ kind }: Deal, at: number): string | undefined {
  if (kind === 'ends') return ['first', 'middle', 'last'][at]
  return kind === 'nth' ? ['usual', 'another'][at] : undefined
}
