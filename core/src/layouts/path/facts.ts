import { RangeOf, SAME, differs } from '../../spacing/measured'
import { type Fact, type Facts, type Range, type Segment, fact, plural } from '../../words'
import type { Things, Worked } from '../definition'
import type { PathOutcome } from './place'
import type { Path } from './schema'
import { pulledPath } from './unroll'

/** What copies on a path come to, measured between neighbours as they stand; a gap is the nearest distance between two outlines. */
export function pathFacts(path: Path, worked: Worked<PathOutcome>, things: Things): Facts {
  const { laid } = worked
  const { strip, pairs } = pulledPath(path, worked, things)
  const contours: Segment[] = laid.contours.length > 1 ? [' in ', { count: laid.contours.length }, ' contours'] : []
  const standing = strip.count
  // Strips reach from one place to the next: of an open contour there is one place more than there are strips.
  const joined: Segment[] =
    path.join !== 'no' && laid.count > standing ? [' between ', { count: laid.count }, ' places'] : []
  const out: Fact[] = [
    fact(
      'count',
      { count: standing },
      plural(standing, ' copy', ' copies'),
      ...joined,
      ' on ',
      { length: laid.length },
      ...contours,
    ),
  ]
  const over = (read: (pair: (typeof pairs)[number]) => number): Range | undefined => {
    const all = new RangeOf()
    for (const pair of pairs) if (!Number.isNaN(read(pair))) all.add(read(pair))
    return all.range
  }
  const [pitch, straight, gap] = [over((p) => p.pitch), over((p) => p.straight), over((p) => p.gap)]
  if (path.join === 'no' && pitch && straight) {
    const own =
      path.way === 'straight' ? straight : path.measure === 'pitch' ? pitch : path.measure === 'gap' ? gap : undefined
    if (path.hold === 'spacing' && path.way !== 'corners' && own && differs(own, laid.spacing))
      out.push(
        fact('asked', 'asked ', { length: path.spacing }, ', ', { lengths: own, tone: 'caution' }, ' as they stand'),
      )
    out.push(fact('pitch', 'pitch ', { lengths: pitch }))
    if (differs(straight, pitch[0]) || differs(straight, pitch[1]))
      out.push(fact('straight', 'straight ', { lengths: straight }))
    if (gap) out.push(fact('gap', 'gap ', { lengths: gap, ...(gap[0] < -SAME && { tone: 'wrong' as const }) }))
  }
  if (laid.leftover > SAME && path.leftover !== 'widen' && path.leftover !== 'tighten')
    out.push(fact('leftover', 'left over ', { length: laid.leftover, tone: 'caution' }))
  const corners = laid.contours.reduce((n, c) => n + c.corners.length, 0)
  if (corners > 0) out.push(fact('corners', { count: corners }, plural(corners, ' corner', ' corners')))
  return out
}
