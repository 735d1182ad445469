import type { InstanceTable } from '../../instances'
import { MAX_COPIES } from '../../limits'
import { type Plane, afterEach, reflectionIn } from '../../geometry/isometry'
import { imagesOf, planeOf } from '../../mirror/planes'
import type { MirrorNoting } from '../../mirror/notes'
import { Reflector } from '../../mirror/reflector'
import { Taken, standsThere } from '../../mirror/taken'
import { imageFacts } from '../../mirror/words'
import type { Reflect } from '../../model/step'
import type { Vec3 } from '../../values/values'
import { hashName } from '../../random'
import type { Result, Sentence } from '../../words'
import type { StepContext } from '../context'

/** The planes of a reflection of the copies so far, in the pattern's axes; a sentence where one cannot be found. */
function planesOf(
  table: InstanceTable,
  reflect: Reflect,
  only: Uint8Array | undefined,
  noting: MirrorNoting,
): Result<Plane[]> {
  const box = boxAbout(table, only)
  const planes: Plane[] = []
  for (const asked of reflect.planes) {
    const plane = planeOf(asked, {
      centre: () => box && ([0, 1, 2].map((i) => (box.low[i] + box.high[i]) / 2) as Vec3),
      copyAt: (_, slot) => {
        const row = table.rowOf(slot)
        return row < 0 ? undefined : ([...table.position.subarray(3 * row, 3 * row + 3)] as unknown as Vec3)
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
): Sentence {
  const planes = planesOf(table, reflect, only, noting)
  if (!planes.ok) return planes.problem.says
  const images = imagesOf(planes.value)
  if (!images.ok) return images.problem.says
  const reflector = new Reflector(reflect, things, frames, noting)
  const before = table.snapshot()
  const rows: number[] = []
  for (let k = 0; k < before.count; k++) if (!only || only[k]) rows.push(k)
  if (reflect.keep === 'across') {
    const across = planes.value.map(reflectionIn).reduce((first, next) => afterEach(next, first))
    for (const k of rows) reflector.write(before, k, across, table, k)
    return [{ count: rows.length }, ' moved across', ...imageFacts(reflector.counts, 0)]
  }
  const most = before.count + rows.length * (images.value.length - 1)
  if (most > MAX_COPIES)
    return ['not done: ', { count: most }, ' copies would stand here, up to ', { count: MAX_COPIES }, ' can']
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
  return [
    { count: before.count },
    ' and ',
    { count: n - before.count },
    ' images',
    ...imageFacts(reflector.counts, coinciding),
  ]
}

function boxAbout({ position: p, count }: InstanceTable, only?: Uint8Array): { low: Vec3; high: Vec3 } | undefined {
  const low: Vec3 = [Infinity, Infinity, Infinity]
  const high: Vec3 = [-Infinity, -Infinity, -Infinity]
  for (let k = 0; k < count; k++) {
    if (only && !only[k]) continue
    for (let i = 0; i < 3; i++) {
      low[i] = Math.min(low[i], p[3 * k + i])
      high[i] = Math.max(high[i], p[3 * k + i])
    }
  }
  return low[0] <= high[0] ? { low, high } : undefined
}
