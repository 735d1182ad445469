import type { Forecast } from '@hilera/core/writers/definition'
import { formatNumber } from '@hilera/core/numbers/format'
import { plural } from '@hilera/core/words'

/** What a file leaves out, one phrase for each reason. */
export function leftOut(report: Forecast): string[] {
  const { emptyPlaces, leftOut, movedAcross, placeholders, hiddenPatterns, hiddenCopies } = report
  const n = (count: number): string => formatNumber(count, 0)
  return [
    ...(emptyPlaces ? [`${n(emptyPlaces)} ${plural(emptyPlaces, 'place', 'places')} left empty`] : []),
    ...(leftOut ? [`${n(leftOut)} that would overlap`] : []),
    ...(movedAcross
      ? [`${n(movedAcross)} that ${plural(movedAcross, 'stands', 'stand')} across a mirror instead`]
      : []),
    ...(placeholders ? [`${n(placeholders)} ${plural(placeholders, 'placeholder', 'placeholders')}`] : []),
    ...(hiddenPatterns
      ? [`${n(hiddenPatterns)} hidden ${plural(hiddenPatterns, 'pattern', 'patterns')} with ${n(hiddenCopies)} copies`]
      : []),
  ]
}
