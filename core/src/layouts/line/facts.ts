import { askedOf } from '../askedRow'
import { measureRows, rowFacts } from '../../spacing/measured'
import { type Fact, type Facts, fact } from '../../words'
import type { Things, Worked } from '../definition'
import type { LineOutcome } from './place'
import type { Line } from './schema'
import { stripOfLine } from './strip'

/** What a line comes to, measured on its copies as they stand. */
export function lineFacts(line: Line, worked: Worked<LineOutcome>, { supportOf }: Things): Facts {
  const { laid } = worked
  const strip = stripOfLine(worked, supportOf)
  const asked = askedOf(
    line.direction.kind === 'amounts' ? { ...line, measure: 'pitch', edges: 'centres', spacing: laid.spacing } : line,
    laid,
  )
  const out: Fact[] = rowFacts(asked, measureRows([strip], asked.edges, laid.lastBay))
  if (laid.lastBay && strip.count > 1) {
    const pitch = strip.pivot[strip.count - 1] - strip.pivot[strip.count - 2]
    out.splice(1, 0, fact('last bay', 'last bay ', { length: pitch, tone: 'caution' }))
  }
  const { count } = strip
  return count > 1 ? [fact('more', { count: 1 }, ' + ', { count: count - 1 }, ' more'), ...out] : out
}
