import { type Surface, surfaceOf } from '../geometry/closed'
import type { Mesh } from '../geometry/mesh'
import { bareMesh } from '../parts/partMesh'
import { type Segment, plural } from '../words'
import type { FindingDefinition } from './definition'

/** Kept for each mesh: they are large, and do not change. */
const known = new WeakMap<Mesh, Surface>()

/** Something about the surfaces of parts that came from files; our own solids are closed as they are built. */
const aboutSurfaces = (
  weight: number,
  countIn: (surface: Surface) => number,
  says: (count: number) => readonly Segment[],
): FindingDefinition => ({
  weight,
  find: ({ project, source }) =>
    project.parts.flatMap((part) => {
      const mesh = part.shape.kind === 'mesh' ? bareMesh(part, source) : undefined
      if (!mesh) return []
      const surface = known.get(mesh) ?? surfaceOf(mesh)
      known.set(mesh, surface)
      const count = countIn(surface)
      return count > 0 ? [{ part: part.id, count, worst: 0, rows: [] }] : []
    }),
  says: ({ count, part }, nameOf) => [`${nameOf(part!)}: `, ...says(count)],
  fixes: [],
})

/** Surfaces that end somewhere: they enclose no volume, and are looked through from behind. */
export const open = aboutSurfaces(
  -1,
  (surface) => surface.open,
  (count) => [
    'its surface is open along ',
    { count, tone: 'wrong' },
    plural(count, ' edge', ' edges'),
    '. Cloth and leaves are; a solid should be closed where it was made.',
  ],
)

/** Surfaces whose faces disagree about where outside is, or of which three meet in one edge. */
export const wound = aboutSurfaces(
  -1,
  (surface) => surface.wrong,
  (count) => [
    { count, tone: 'wrong' },
    plural(count, ' edge has', ' edges have'),
    ' faces that wind against each other, or three of them. Mend it where it was made, and read it again.',
  ],
)

/** Closed surfaces that look inward: they are lit from the wrong side, and their volume counts below nothing. */
export const insideOut = aboutSurfaces(
  0,
  ({ open, wrong, volume }) => (open === 0 && wrong === 0 && volume < 0 ? 1 : 0),
  () => ['it is inside out. Turn its faces where it was made, and read it again.'],
)

/** Faces without an area: they shade at random, and nothing stands on them. */
export const flat = aboutSurfaces(
  -2,
  (surface) => surface.flat,
  (count) => [{ count, tone: 'wrong' }, plural(count, ' face has', ' faces have'), ' no area.'],
)
