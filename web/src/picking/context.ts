import { definitionOf } from '@hilera/core/layouts/index'
import { volumeOf } from '@hilera/core/geometry/mesh'
import { isSolid } from '@hilera/core/model/part'
import { partMesh } from '@hilera/core/parts/partMesh'
import { partsAlike } from '@hilera/core/selection/alike'
import { nearPlaces, placesOf, type Stands } from '@hilera/core/selection/near'
import type { PickContext, ThingSort } from '@hilera/core/selection/pick'
import { inRegion } from '@hilera/core/selection/region'
import { ORIGIN } from '@hilera/core/selection/sentence'
import { boxOf } from '@hilera/core/spacing/support'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { useOverlaps } from '../stores/overlaps'

/** What is known of the copies of patterns, by which they are picked. */
export function usePickContext(): (patternId: string) => PickContext {
  const document = useDocument()
  const outcomes = useOutcomes()

  const standsOf = (id: string): Stands | undefined => {
    const pattern = outcomes.worked.patterns.find((p) => p.id === id)
    const table = outcomes.byId.get(id)?.table
    return pattern && table && { pattern, table }
  }

  /** A copy is found by its pattern's name, its own where it stands on a place of its own, and its part's. */
  function namesIn({ pattern, table }: Stands): (row: number) => string {
    const { things } = outcomes
    const named = definitionOf(pattern.layout).names?.(pattern.layout)
    return (row) => `${pattern.name} ${named?.get(table.keyOf(row)) ?? ''} ${things[table.thing[row]]?.name ?? ''}`
  }

  function sortOf(thing: number): ThingSort {
    const part = outcomes.worked.parts[thing]
    if (!part) return 'whole patterns'
    const { shape } = part
    if (isSolid(shape)) return 'solids'
    if (shape.kind === 'twin') return sortOf(outcomes.worked.parts.findIndex(({ id }) => id === shape.of))
    return ({ mesh: 'meshes', assembly: 'assemblies', light: 'lights', placeholder: 'placeholders' } as const)[
      shape.kind
    ]
  }

  /** What its surface encloses; of what has none, its bounds. */
  function roomOf(thing: number): number {
    const part = outcomes.worked.parts[thing]
    const mesh = part && partMesh(part, document.source)
    if (mesh) return Math.abs(volumeOf(mesh))
    const { low, high } = boxOf(outcomes.supportOf(thing))
    return (high[0] - low[0]) * (high[1] - low[1]) * (high[2] - low[2])
  }

  return (patternId) => {
    const stands = standsOf(patternId)
    const update = outcomes.byId.get(patternId)
    if (!stands || !update) return {}
    const { table } = stands
    return {
      nameOf: namesIn(stands),
      volumeOf: roomOf,
      sortOf,
      alike: (thing) => partsAlike(outcomes.worked.parts, thing, document.source),
      inSet: (set) => new Set(document.project.sets.find(({ id }) => id === set)?.copies[patternId]),
      colorOf: (row) =>
        update.frames[table.surface[row] - 1]?.color ?? outcomes.worked.parts[table.thing[row]]?.look.color,
      near(of, within) {
        const other = standsOf(of)
        const places = of === ORIGIN ? [[0, 0, 0] as const] : other ? placesOf(other) : []
        return nearPlaces(
          stands,
          places.map(([x, y, z]) => [x, y, z]),
          within,
        )
      },
      inRegion: (region) => inRegion(stands, region),
      astray: new Set(Object.values(update.astray).flat()),
      // Looking for them begins with the store: who picks by something else does not ask for that.
      overlapping: () =>
        new Set(
          useOverlaps()
            .of(update)
            ?.overlaps.flatMap(({ first, second }) => [first, second]) ?? [],
        ),
    }
  }
}
