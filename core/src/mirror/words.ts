import { type Fact, fact, plural } from '../words'
import type { ImageCounts } from './reflector'

/** What came of a reflection: how many images stand in twins, how many in the part itself, and how many were already there. */
export function imageFacts({ twins, kept, symmetric }: ImageCounts, coinciding: number): Fact[] {
  const out: Fact[] = []
  if (twins > 0) out.push(fact('twins', { count: twins }, ' in the other hand'))
  if (symmetric > 0)
    out.push(fact('symmetric', { count: symmetric }, plural(symmetric, ' is', ' are'), ' symmetric and kept'))
  if (kept > 0) out.push(fact('kept', { count: kept }, plural(kept, ' keeps its', ' keep their'), ' shape'))
  if (coinciding > 0)
    out.push(
      fact(
        'coinciding',
        { count: coinciding, tone: 'caution' },
        plural(coinciding, ' would coincide and is', ' would coincide and are'),
        ' left out',
      ),
    )
  return out
}
