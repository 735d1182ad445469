import { MAX_COPIES } from '../../limits'
import type { Fill } from './schema'
import { Randomness } from '../../random'
import { areaOf } from '../../scatter/area'
import { outlinesCross } from '../../scatter/crossing'
import { bands } from '../../scatter/bands'
import { lattice } from '../../scatter/lattice'
import { type Margin, type Scatter, atRandom, evenly, sunflower } from '../../scatter/spread'
import { filledArea } from './keptOff'
import { marginOf } from './reach'
import { weightOf } from './weight'
import { checkCount } from '../../spacing/solve'
import { fact, type Fact, type Result, done, refused } from '../../words'
import { type LayoutContext, type Placement } from '../context'

export interface FillOutcome {
  readonly kind: 'fill'
  /** Square metres inside the outline, without what is kept off. */
  readonly area: number
  readonly wanted: number
}

/** Spreads copies over an outlined area of the pattern's ground. A copy's slot is the dart that placed it. */
export function placeFill(fill: Fill, context: LayoutContext): Result<Placement<FillOutcome>> {
  const { patternId, dealt, checking } = context
  const outline = areaOf(fill.outline)
  if (!(outline.size > 0)) return refused('The outline encloses no area. Move its points apart.')
  const area = filledArea(fill, context.distanceTo)
  if (!(area.size > 0)) return refused('All of the outline is kept off. Type a smaller distance or a larger outline.')
  const wanted = fill.by === 'count' ? fill.count : Math.round(fill.density * area.size)
  if (fill.by === 'density' && !(fill.density > 0))
    return refused('A density is more than 0; type how many copies stand on a square metre.')
  const count = checkCount(wanted)
  if (!count.ok) return count
  const goesByDistance = fill.how !== 'random' && fill.how !== 'sunflower'
  if (goesByDistance && !(fill.least > 0))
    return refused('The least distance is more than 0: type a length such as ', { length: 0.02 }, '.')
  if (goesByDistance && area.size / (fill.least * fill.least) > 4 * MAX_COPIES) {
    return refused(
      'A least distance of ',
      { length: fill.least },
      ' is too small for so large an area. Type a longer one, or fill at random.',
    )
  }
  const weighed = weightOf(fill, area, context)
  if (weighed && !weighed.ok) return weighed
  const margin = { ...marginOf(fill, wanted, context), ...(weighed && { keeps: weighed.value }) }
  // Whether a first copy fits tells whether any does.
  const scatter = scatterOf(fill, patternId, checking ? 1 : wanted, area, margin)
  if (scatter.count === 0)
    return refused(
      area.beyond
        ? 'Nothing is left of the outline beside what is kept off and with '
        : weighed
          ? 'The picture leaves no copy inside the outline with '
          : fill.edge === 'pivots'
            ? 'No copy fits inside the outline with '
            : 'No whole copy fits inside the outline with ',
      { length: fill.margin },
      area.beyond
        ? ' free along its edge. Type a smaller distance or a larger outline.'
        : ' free along its edge. Type a smaller margin.',
    )
  const facts: Fact[] = []
  if (scatter.full) {
    const why = weighed ? 'the picture leaves no room' : 'no room'
    facts.push(fact('room', { words: `${why} for ${wanted - scatter.count} more`, tone: 'caution' }))
  }
  if (area.beyond) facts.push(fact('off', 'about ', { area: outline.size - area.size }, ' of the outline is kept off'))
  else if (fill.off)
    facts.push(
      fact('off', { words: 'nothing is kept off: what was chosen has no curve and no outline', tone: 'caution' }),
    )
  if (outlinesCross(area))
    facts.push(fact('outline', 'its outlines cross: what lies inside an odd number of them is filled'))
  if (fill.how === 'sunflower' && fill.by === 'count') facts.push(fact('count', 'all move when the count changes'))
  return done({
    facts,
    working:
      fill.by === 'density'
        ? [{ area: area.size }, ' × ', { density: fill.density }, ' = ', { count: wanted, tone: 'good' }]
        : [{ count: wanted }, ' ÷ ', { area: area.size }, ' = ', { density: wanted / area.size, tone: 'good' }],
    outcome: { kind: 'fill', area: area.size, wanted },
    write(table) {
      table.neutral(scatter.count)
      for (let n = 0; n < scatter.count; n++) {
        table.position[3 * n] = scatter.points[2 * n]
        table.position[3 * n + 2] = scatter.points[2 * n + 1]
        table.slotLow[n] = scatter.darts[n]
      }
      dealt.deal(table)
    },
  })
}

function scatterOf(
  { how, least, seed }: Fill,
  patternId: string,
  wanted: number,
  area: ReturnType<typeof areaOf>,
  margin: Margin,
): Scatter {
  if (how === 'square' || how === 'hexagonal') return lattice(area, margin, wanted, least, how)
  if (how === 'bands') return bands(area, margin, wanted, least)
  if (how === 'sunflower') return sunflower(area, margin, wanted, area.size / wanted)
  const random = new Randomness(seed, patternId, 'fill')
  return how === 'even' ? evenly(area, margin, wanted, least, random) : atRandom(area, margin, wanted, random)
}
