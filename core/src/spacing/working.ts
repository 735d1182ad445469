import type { Segment, Sentence } from '../words'
import { isEven, widthOf } from './row'
import type { SpacingAnswer, SpacingQuestion } from './solve'

/** The sum by which the third was worked out, as one would write it on paper. */
export function spacingWorking(question: SpacingQuestion, answer: SpacingAnswer): Sentence {
  const { row, measure, edges, ends, room, count, spacing } = question
  const width = widthOf(row.kinds[0])
  const simple = isEven(row) && ends === 'both' && question.leftover !== 'tighten'
  const gaps = simple && measure === 'gap' && edges === 'outsides'
  const pitches = simple && measure === 'pitch' && edges === 'centres'
  const result: Segment =
    answer.worked === 'count'
      ? { count: answer.count, tone: 'good' }
      : { length: answer.worked === 'room' ? answer.room : answer.spacing, tone: 'good' }
  const lead = `${answer.worked} is worked out: `

  if (answer.worked === 'count') {
    const so: Segment[] = [answer.lastBay ? ', so one more at the far end is ' : ', so ', result]
    if (gaps) {
      const quotient = (room + spacing) / (width + spacing)
      return [
        lead,
        '(',
        { length: room },
        ' + ',
        { length: spacing },
        ') ÷ (',
        { length: width },
        ' + ',
        { length: spacing },
        ') = ',
        { factor: round(quotient) },
        ...so,
      ]
    }
    if (pitches)
      return [
        lead,
        { length: room },
        ' ÷ ',
        { length: spacing },
        ' + 1 = ',
        { factor: round(room / spacing + 1) },
        ...so,
      ]
    return [lead, { count: answer.count }, ' take ', { length: answer.run }, ' of ', { length: room }, ', so ', result]
  }
  if (answer.worked === 'spacing') {
    if (Number.isNaN(answer.spacing)) return ['a single copy has no neighbour to keep a spacing from']
    if (gaps)
      return [
        lead,
        '(',
        { length: room },
        ' − ',
        { count },
        ' × ',
        { length: width },
        ') ÷ ',
        { count: count - 1 },
        ' = ',
        result,
      ]
    if (pitches) return [lead, { length: room }, ' ÷ ', { count: count - 1 }, ' = ', result]
    return [lead, { count }, ' spread over ', { length: room }, ', so ', result]
  }
  if (gaps)
    return [
      lead,
      { count },
      ' × ',
      { length: width },
      ' + ',
      { count: count - 1 },
      ' × ',
      { length: spacing },
      ' = ',
      result,
    ]
  if (pitches) return [lead, { count: count - 1 }, ' × ', { length: spacing }, ' = ', result]
  return [lead, { count }, ' with their spacing take ', result]
}

/** Two decimals, rounded down: 9.998 copies are not shown as 10. */
const round = (n: number): number => Math.floor(n * 100 + 1e-6) / 100
