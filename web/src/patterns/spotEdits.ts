import { fromTurns, inverse, rotate } from '@hilera/core/geometry/rotation'
import { isLayout } from '@hilera/core/layouts/index'
import { indexOfSlot, slotBeyond, standing } from '@hilera/core/layouts/spots/find'
import type { Spot } from '@hilera/core/layouts/spots/schema'
import type { Pattern } from '@hilera/core/model/pattern'
import type { ReadPlaces } from '@hilera/core/readers/spotTable'
import type { Vec3 } from '@hilera/core/values/values'
import { editOf } from '../layouts'
import { useDocument } from '../stores/document'
import { usePicking } from '../stores/picking'
import { useSelection } from '../stores/selection'
import { usePatternEdits } from './patternEdits'

const minus = (a: Vec3, b: Vec3): Vec3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]]

/** Spots that are clicked on the stage: on a plan, on a ground, on copies. */
export function useSpotEdits() {
  const document = useDocument()
  const picking = usePicking()
  const patterns = usePatternEdits()
  const selection = useSelection()

  /** Asks for places; each takes the part that is picked in the tray as it is clicked, where one is. */
  async function clicked(): Promise<{ at: Vec3; part?: string }[] | undefined> {
    const found: { at: Vec3; part?: string }[] = []
    const words = (): string =>
      selection.part
        ? `Click where the next ${selection.part.name} goes`
        : 'Click the spots; a part in the tray goes there'
    const points = await picking.places(words, 1, Infinity, (at) =>
      found.push({ at, ...(selection.partId && { part: selection.partId }) }),
    )
    return points && found
  }

  /** More spots, clicked one by one, for a pattern of spots; or a new pattern of them. */
  async function addSpots(pattern?: Pattern): Promise<void> {
    const found = await clicked()
    if (!found) return
    if (pattern) return add(pattern, found)
    const [{ at: origin }] = found
    const dealt = patterns.partToPlace()
    // What the deal gives anyway is left to it.
    const spots = found.map(({ at, part }, slot): Spot => ({
      slot,
      move: minus(at, origin),
      ...(part !== undefined && part !== dealt.part.id && { part }),
    }))
    patterns.addPart({
      part: dealt,
      wanted: `${dealt.name} spots`,
      layout: { kind: 'spots', spots },
      place: { move: origin, turn: [0, 0, 0] },
    })
  }
  /** The slot of the picked spot, where it is one alone. */
  function pickedSlot(pattern: Pattern): number | undefined {
    const keys = selection.picks.get(pattern.id)
    return keys?.size === 1 ? parseInt([...keys][0], 16) : undefined
  }
  /** New spots come after the one that is picked, otherwise at the end. */
  function add(pattern: Pattern, found: readonly { at: Vec3; part?: string }[]): void {
    const back = inverse(fromTurns(pattern.place.turn))
    patterns.change(pattern, 'spots', (p) =>
      editOf('spots', ({ spots }) => {
        let next = slotBeyond(spots)
        const more = found.map(({ at, part }): Spot => {
          const move = rotate(back, minus(at, pattern.place.move))
          return { slot: next++, move, ...(part && { part }) }
        })
        const picked = pickedSlot(pattern)
        const after = picked === undefined ? -1 : indexOfSlot(spots, picked)
        spots.splice(after < 0 ? spots.length : after + 1, 0, ...more)
      })(p.layout),
    )
  }
  /**
   * Places that were read from a table; their parts are found by name, and dealt where there is none of that name.
   *
   * @param wanted the name of a new pattern, where there is none yet to add them to
   */
  function addPlaces(places: ReadPlaces['places'], wanted: string, pattern?: Pattern): void {
    const ids = new Map(document.project.parts.map((p) => [p.name.toLowerCase(), p.id]))
    const spotsFrom = (first: number): Spot[] =>
      places.map(({ part, ...place }, i): Spot => {
        const id = part === undefined ? undefined : ids.get(part.toLowerCase())
        return { ...place, slot: first + i, ...(id !== undefined && { part: id }) }
      })
    if (pattern)
      return void patterns.change(pattern, 'spots', (p) =>
        editOf('spots', ({ spots }) => {
          spots.push(...spotsFrom(slotBeyond(spots)))
        })(p.layout),
      )
    patterns.addPart({
      part: patterns.partToPlace(),
      wanted,
      layout: { kind: 'spots', spots: spotsFrom(0) },
      place: { move: [0, 0, 0], turn: [0, 0, 0] },
    })
  }
  /** Takes the picked spots away; those that are left keep their slots, and so their chances and touch-ups. */
  function removePicked(pattern: Pattern): void {
    const keys = selection.picks.get(pattern.id)
    if (!keys) return
    patterns.change(pattern, keys.size === 1 ? 'remove a spot' : 'remove spots', (p) => {
      editOf('spots', (layout) => {
        layout.spots = standing(layout.spots).filter(({ slot }) => !keys.has(slot.toString(16)))
      })(p.layout)
      for (const key of keys) delete p.touchUps[key]
    })
    selection.pickPattern(pattern.id)
  }

  /** The picked spot comes so many places later in the order in which parts are dealt and copies are numbered. */
  function reorder(pattern: Pattern, by: 1 | -1): void {
    const slot = pickedSlot(pattern)
    patterns.change(pattern, 'order of spots', (p) =>
      editOf('spots', ({ spots }) => {
        const at = slot === undefined ? -1 : indexOfSlot(spots, slot)
        if (at < 0 || !spots[at + by]) return
        const [spot] = spots.splice(at, 1)
        spots.splice(at + by, 0, spot)
      })(p.layout),
    )
  }
  /** Its number among the spots, from 1, where one alone is picked. */
  function numberOfPicked(pattern: Pattern): number | undefined {
    const slot = pickedSlot(pattern)
    const { layout } = pattern
    const at = slot === undefined || !isLayout('spots', layout) ? -1 : indexOfSlot(layout.spots, slot)
    return at < 0 ? undefined : at + 1
  }

  return { addSpots, addPlaces, removePicked, reorder, numberOfPicked }
}
