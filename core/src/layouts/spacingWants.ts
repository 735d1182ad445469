import type { SpacingOutcome } from './context'
import type { Want } from './definition'
import { measures, type Spacing } from '../values/spacing'
import { takeHold } from '../spacing/hold'

/**
 * What can be wanted of a spacing along a line: the count, the three ways to read between neighbours, and the room.
 *
 * @param suffix tells a direction from others: " across"
 * @param prefix the same before what its facts are about: "across "
 */
export function spacingWants<L, Out>(
  spacingOf: (layout: L) => Spacing,
  laidOf: (laid: Out) => SpacingOutcome,
  suffix = '',
  prefix = '',
): Want<L, Out>[] {
  return [
    {
      key: `count${suffix}`,
      words: `count${suffix}`,
      quantity: 'count',
      field: `Count${suffix}`,
      read: (laid) => laidOf(laid).count,
      ask: (layout, to) => takeHold(spacingOf(layout), 'count', to),
    },
    ...measures.map((measure): Want<L, Out> => ({
      key: `${measure}${suffix}`,
      words: `${measure}${suffix}`,
      quantity: 'length',
      field: `Spacing${suffix}`,
      fact: prefix + measure,
      read: (laid) => laidOf(laid).readAs?.[measure],
      ask: (layout, to) => {
        const spacing = spacingOf(layout)
        spacing.measure = measure
        takeHold(spacing, 'spacing', to)
      },
    })),
    {
      key: `room${suffix}`,
      words: `room${suffix}`,
      quantity: 'length',
      field: `Room${suffix}`,
      read: (laid) => laidOf(laid).room,
      ask: (layout, to) => takeHold(spacingOf(layout), 'room', to),
    },
  ]
}
