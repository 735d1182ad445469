import { SAME } from '../../spacing/measured'
import { type Fact, type Facts, fact, plural } from '../../words'
import type { Worked } from '../definition'
import { nearestDistances } from '../../spacing/nearest'
import type { FillOutcome } from './place'
import type { Fill } from './schema'

/** What a fill comes to: how many are there on how large an area, and how near the nearest two stand. */
export function fillFacts({ how, least }: Fill, { table, laid }: Worked<FillOutcome>): Facts {
  const count = table.presentCount()
  const out: Fact[] = [
    fact('count', { count }, plural(count, ' copy on ', ' copies on '), { area: laid.area }),
    fact('density', { density: count / laid.area }),
  ]
  const [nearest] = nearestDistances(table)
  if (nearest === undefined) return out
  // Clearing and a hand may bring them nearer than they were spread.
  if (how === 'even' && nearest < least - SAME)
    out.push(
      fact(
        'nearest',
        { length: least },
        ' asked, nearest two ',
        { length: nearest, tone: 'caution' },
        ' from pivot to pivot',
      ),
    )
  else out.push(fact('nearest', 'nearest two ', { length: nearest }, ' from pivot to pivot'))
  return out
}
