import { partMesh } from '@hilera/core/parts/partMesh'
import { type Result, done, refused } from '@hilera/core/words'
import type { Part } from '@hilera/core/model/part'
import type { Placing } from '@hilera/core/instances'
import { useDocument } from '../stores/document'
import { shareOfBox } from '@hilera/core/curves/chosenEdges'
import { inverse, rotate } from '@hilera/core/geometry/rotation'
import type { Mesh } from '@hilera/core/geometry/mesh'
import { minus } from '@hilera/core/geometry/vec'
import type { ChosenEdges } from '@hilera/core/values/curve'
import type { Vec3 } from '@hilera/core/values/values'
import { type Picked, usePicking } from '../stores/picking'

type PickedPart = Required<Picked>['part']

/** The edge beside a place on a copy that was clicked, as it is remembered of its part. */
function chosenAt(picked: Picked, { stands, isTwin }: PickedPart, mesh: Mesh): ChosenEdges {
  const own = (v: Readonly<Vec3>, by: (n: number, size: number) => number): Vec3 => {
    const [x, y, z] = rotate(inverse(stands.turn), v).map((n, i) => by(n, stands.size[i]))
    return [isTwin ? -x : x, y, z]
  }
  // A normal leans by the inverse of the sizes, so that back in the part's own axes it goes by the sizes.
  const way = own(picked.normal ?? [0, 1, 0], (n, size) => n * size)
  const long = Math.hypot(...way) || 1
  const [x, y, z] = stands.size
  return {
    as: 'chain',
    at: shareOfBox(
      mesh,
      own(minus(picked.point, stands.move), (n, size) => n / size),
    ),
    toward: way.map((n) => n / long) as Vec3,
    size: [isTwin ? -x : x, y, z],
  }
}

/** Clicks on edges of copies. */
export function useEdgePick() {
  const document = useDocument()
  const picking = usePicking()

  /** The edge of a copy that is clicked, with its part and how the copy stands; says why it is none. */
  async function ask(words: string): Promise<Result<{ part: Part; stands: Placing; which: ChosenEdges }> | undefined> {
    const picked = await picking.place(words)
    if (!picked) return undefined
    const part = document.project.parts.find((p) => p.id === picked.part?.id)
    const mesh = part && partMesh(part, document.source)
    if (!picked.part || !part || !mesh) return refused('No copy lies there. Click on an edge of a copy.')
    return done({ part, stands: picked.part.stands, which: chosenAt(picked, picked.part, mesh) })
  }
  /** The edge that is clicked of a copy of one part; nothing where it is given up or another part is clicked. */
  async function pick({ id, name }: Part): Promise<ChosenEdges | undefined> {
    const found = await ask(`Click an edge of ${name}, on a copy of it`)
    return found?.ok && found.value.part.id === id ? found.value.which : undefined
  }
  return { ask, pick }
}
