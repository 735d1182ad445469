import { UNTURNED, toTurns } from '../../geometry/rotation'
import { slotKeyOf, slotOfKey } from '../../instances'
import { nearestDistances } from '../../spacing/nearest'
import type { LayoutDefinition } from '../definition'
import { roundFigure } from '../beginning'
import { indexOfSlot } from './find'
import { type SpotsOutcome, placeSpots } from './place'
import { movedSpot } from './relink'
import { type Spot, type Spots, spots as schema } from './schema'
import { spotsSentence } from './sentence'

function spotOf({ spots: all }: Spots, key: string): Spot | undefined {
  const [slot, high] = slotOfKey(key)
  return high === 0 ? all[indexOfSlot(all, slot)] : undefined
}

export const spots: LayoutDefinition<Spots, SpotsOutcome> = {
  schema,
  words: 'Spots',
  isByHand: true,
  note: 'one on each of the places that you click',
  sentence: spotsSentence,
  summary: ({ spots: all }) => (all.some((s) => s.part) ? 'places of their own' : 'clicked spots'),
  begin: ({ width, unit }) => ({
    kind: 'spots',
    spots: [0, 1, 2].map((slot) => ({ slot, move: [roundFigure(width * 1.5, unit) * slot, 0, 0] })),
  }),
  place: placeSpots,
  unroll: (_, { table }) => ({ as: 'nearest', distances: nearestDistances(table) }),
  // Places of their own may all have their parts.
  deals: ({ spots: all }) => all.some((s) => !s.part),
  names: ({ spots: all }) =>
    new Map(all.flatMap(({ slot, name }) => (name ? [[slotKeyOf(slot, 0), name] as const] : []))),
  dropNames: ({ spots: all }, chosen) => {
    for (const spot of all) if (spot.name && chosen(slotKeyOf(spot.slot, 0), spot.part)) delete spot.name
  },
  relinked: (layout, change) => ({
    ...layout,
    spots: layout.spots.map((spot) => {
      const by = spot.part ? change(spot.part) : undefined
      return by ? movedSpot(spot, by.by, by.similarity) : spot
    }),
  }),
  ownParts: ({ spots: all }) => all.flatMap(({ part, size = [1, 1, 1] }) => (part ? [{ part, size }] : [])),
  ownTouchUps: ({ spots: all }) =>
    new Map(
      all.map(({ slot, part, turn, size }) => [
        slotKeyOf(slot, 0),
        { ...(part && { part }), ...(turn && { turn: toTurns(turn) }), ...(size && { size }) },
      ]),
    ),
  ownPlace(layout, key) {
    const spot = spotOf(layout, key)
    return spot && { move: spot.move, turn: spot.turn ?? UNTURNED, size: spot.size ?? [1, 1, 1] }
  },
  putPlace(layout, key, { move, turn, size }) {
    const spot = spotOf(layout, key)
    if (!spot) return
    spot.move = [...move]
    if (Math.abs(turn[3]) === 1) delete spot.turn
    else spot.turn = [...turn]
    if (size.every((n) => n === 1)) delete spot.size
    else spot.size = [...size]
  },
  dealAll: ({ spots: all }) => {
    for (const spot of all) delete spot.part
  },
  lost: 'its deal no longer places them: spacing and count are fixed',
}
