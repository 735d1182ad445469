import { type Box, boxAround, boxOfBoth, middleOf } from '../../geometry/box'
import { InstanceTable } from '../../instances'
import { MAX_COPIES } from '../../limits'
import type { MirrorThings } from '../../mirror/hands'
import { type Isometry, type Plane, afterEach, reflectionIn } from '../../geometry/isometry'
import { imagesOf, planeOf } from '../../mirror/planes'
import { Reflector } from '../../mirror/reflector'
import { Taken, standsThere } from '../../mirror/taken'
import { imageFacts } from '../../mirror/words'
import type { Mirror } from './schema'
import { hashName } from '../../random'
import { fact, type Result, done, plural, refused } from '../../words'
import type { MirroredTable, LayoutContext, Placement } from '../context'

export interface MirrorOutcome {
  readonly kind: 'mirror'
  /** How many copies are mirrored, and how many images came of them. */
  readonly sources: number
  readonly images: number
}

/**
 * Places the images of other patterns' copies across one plane, or across two or three at once (see `imagesOf` and
 * `Reflector`). Where both sides are kept, an image that coincides with a copy that is already there is not added; where things
 * move across, they have one image, across all planes one after another, and stand there instead.
 */
export function placeMirror(mirror: Mirror, context: LayoutContext): Result<Placement<MirrorOutcome>> {
  const { things, frames, noting } = context.mirror
  const sources = context.mirror.sources(mirror.sources)
  if (sources.length === 0) return refused('What this mirrors is not there. Choose a pattern, a group or a selection.')
  const box = boxAbout(sources)
  const planes: Plane[] = []
  for (const asked of mirror.planes) {
    const plane = planeOf(asked, {
      centre: () => box && middleOf(box),
      copyAt: context.mirror.copyAt,
    })
    if (!plane.ok) return plane
    planes.push(plane.value)
    noting.plane({ ...plane.value, index: planes.length - 1, ...(box ?? { low: [0, 0, 0], high: [0, 0, 0] }) })
  }
  const all = imagesOf(planes)
  if (!all.ok) return all
  const images = mirror.keep === 'both' ? all.value.slice(1) : [acrossAll(planes)]
  const mirrored = sources.reduce((n, source) => n + countOf(source), 0)
  const count = images.length * mirrored
  if (count > MAX_COPIES)
    return refused(
      { count },
      ' images would stand here; up to ',
      { count: MAX_COPIES },
      ' can. Mirror fewer copies, or take a plane away.',
    )
  const reflector = new Reflector(mirror, things, frames, noting)
  const { table, copies, coinciding } = context.checking
    ? { table: new InstanceTable(), copies: 0, coinciding: 0 }
    : imagesTable(sources, images, mirror.keep === 'both', reflector, things, count)
  return done({
    facts: [
      fact(
        'count',
        { count: copies },
        plural(copies, ' image of ', ' images of '),
        sources.length === 1 ? sources[0].name : `${sources.length} patterns`,
        ...(copies === table.count ? [] : [', in ', { count: table.count }, ' pieces']),
      ),
      ...imageFacts(reflector.counts, coinciding),
    ],
    working: [],
    outcome: { kind: 'mirror', sources: mirrored, images: table.count },
    write: (to) => to.takeRows(table),
  })
}

const acrossAll = (planes: readonly Plane[]): Isometry =>
  planes.map(reflectionIn).reduce((before, next) => afterEach(next, before))

/** Rows that have an image: those that are there, and those that another plane of the same kind moved away. */
const isMirrored = ({ table, wanted }: MirroredTable, k: number): boolean =>
  table.isMirrored(k) && (!wanted || wanted[k] === 1)

function countOf(source: MirroredTable): number {
  let n = 0
  for (let k = 0; k < source.table.count; k++) if (isMirrored(source, k)) n++
  return n
}

function imagesTable(
  sources: readonly MirroredTable[],
  images: readonly Isometry[],
  both: boolean,
  reflector: Reflector,
  things: MirrorThings,
  most: number,
): { table: InstanceTable; copies: number; coinciding: number } {
  const table = new InstanceTable()
  table.neutral(most)
  const taken = new Taken(things)
  if (both)
    for (const { table: from } of sources)
      for (let k = 0; k < from.count; k++) if (standsThere(from, k)) taken.add(from, k)
  let [n, copies, coinciding] = [0, 0, 0]
  for (const source of sources) {
    const mirror = hashName(source.imagesAs)
    for (const [i, image] of images.entries()) {
      const seen = new Set<number>()
      for (let k = 0; k < source.table.count; k++) {
        if (!isMirrored(source, k)) continue
        const before = { ...reflector.counts }
        reflector.write(source.table, k, image, table, n)
        if (both && taken.has(table, n)) {
          Object.assign(reflector.counts, before)
          coinciding++
          continue
        }
        reflector.nameImage(source.table, k, i, mirror, table, n)
        if (both) taken.add(table, n)
        const copy = source.pieceOf?.[k] ?? k
        if (!seen.has(copy)) copies++
        seen.add(copy)
        n++
      }
    }
  }
  table.count = n
  return { table, copies, coinciding }
}

const boxAbout = (sources: readonly MirroredTable[]): Box | undefined =>
  sources
    .map((source) => boxAround(source.table.position.subarray(0, 3 * source.table.count), (k) => isMirrored(source, k)))
    .reduce(boxOfBoth, undefined)
