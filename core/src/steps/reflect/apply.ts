import type { StepOutcome } from '../definition'
import { middleOf, boxAround } from '../../geometry/box'
import type { InstanceTable } from '../../instances'
import { MAX_COPIES } from '../../limits'
import { type Plane, afterEach, reflectionIn } from '../../geometry/isometry'
import { imagesOf, planeOf } from '../../mirror/planes'
import type { MirrorNoting } from '../../mirror/notes'
import { Reflector } from '../../mirror/reflector'
import { Taken, standsThere } from '../../mirror/taken'
import { imageFacts } from '../../mirror/words'
import type { Reflect } from './schema'
import type { Vec3 } from '../../values/values'
import { hashName } from '../../random'
import { plural, fact, type Result } from '../../words'
import type { StepContext } from '../context'

/** The planes of a reflection of the copies so far, in the pattern's axes; a sentence where one cannot be found. */
function planesOf(
  table: InstanceTable,
  reflect: Reflect,
  only: Uint8Array | undefined,
  noting: MirrorNoting,
): Result<Plane[]> {
  const box = boxAround(table.position.subarray(0, 3 * table.count), (k) => !only || only[k] === 1)
  const planes: Plane[] = []
  for (const asked of reflect.planes) {
    const plane = planeOf(asked, {
      centre: () => box && middleOf(box),
      copyAt: (_, slot) => {
        const row = table.rowOf(slot)
        return row < 0 ? undefined : table.moveOf(row)
      },
    })
    if (!plane.ok) return plane
    planes.push(plane.value)
    const { low, high } = box ?? { low: [0, 0, 0] as Vec3, high: [0, 0, 0] as Vec3 }
    noting.plane({ ...plane.value, index: planes.length - 1, step: reflect.id, low, high })
  }
  return { ok: true, value: planes }
}

/**
 * Adds the images of the copies so far across planes of the pattern's axes, or moves the copies across (see `Reflector`). A
 * copy keeps its slot, also where it moves across; an image has one that comes from its source's. Images that coincide with a
 * copy that is already there are left out.
 */
export function reflectStep(
  table: InstanceTable,
  reflect: Reflect,
  only: Uint8Array | undefined,
  { frames, reflect: { things, noting } }: StepContext,
): StepOutcome {
  const planes = planesOf(table, reflect, only, noting)
  if (!planes.ok) return { facts: [fact('planes', ...planes.problem.says)] }
  const images = imagesOf(planes.value)
  if (!images.ok) return { facts: [fact('planes', ...images.problem.says)] }
  const reflector = new Reflector(reflect, things, frames, noting)
  const before = table.snapshot()
  const rows: number[] = []
  for (let k = 0; k < before.count; k++) if (!only || only[k]) rows.push(k)
  if (reflect.keep === 'across') {
    const across = planes.value.map(reflectionIn).reduce((first, next) => afterEach(next, first))
    for (const k of rows) reflector.write(before, k, across, table, k)
    return { facts: [fact('count', { count: rows.length }, ' moved across'), ...imageFacts(reflector.counts, 0)] }
  }
  const most = before.count + rows.length * (images.value.length - 1)
  if (most > MAX_COPIES)
    return {
      facts: [
        fact('count', 'not done: ', { count: most }, ' copies would stand here, up to ', { count: MAX_COPIES }, ' can'),
      ],
    }
  table.grow(most)
  const taken = new Taken(things)
  for (let k = 0; k < before.count; k++) if (standsThere(before, k)) taken.add(before, k)
  let [n, coinciding] = [before.count, 0]
  const mirror = hashName(reflect.id)
  for (const [i, image] of images.value.slice(1).entries()) {
    for (const k of rows) {
      const counted = { ...reflector.counts }
      reflector.write(before, k, image, table, n)
      if (taken.has(table, n)) {
        Object.assign(reflector.counts, counted)
        coinciding++
        continue
      }
      reflector.nameImage(before, k, i, mirror, table, n)
      taken.add(table, n)
      n++
    }
  }
  table.count = n
  table.slotsChanged()
  const made = n - before.count
  return {
    facts: [
      fact('count', { count: before.count }, ' and ', { count: made }, plural(made, ' image', ' images')),
      ...imageFacts(reflector.counts, coinciding),
    ],
  }
}
