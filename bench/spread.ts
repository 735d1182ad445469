import { Randomness } from '@hilera/core/random'
import { onMesh, sheetOf } from '@hilera/core/scatter/onMesh'
import PoissonDiskSampling from 'poisson-disk-sampling'
import { minimalStandard } from '../core/test/shapes'
import { hills } from './hills'
import { ms, ratio, rounds, table } from './rounds'

const COUNT = 20_000
/** About as near as so many can stand over ten metres by ten when they are thrown one by one. */
const LEAST = 0.052

/** Copies spread over a hilly mesh with a least distance in space, beside a sampler that fills the same square in the plane. */
export function spread(): void {
  const { positions, indices } = hills(223)
  const corners = Float64Array.from(
    { length: 3 * indices.length },
    (_, i) => positions[3 * indices[Math.floor(i / 3)] + (i % 3)],
  )
  const found = { ours: 0, theirs: 0 }
  const taken = rounds(
    {
      ours: () => {
        const sheet = sheetOf(corners, Math.PI / 2)
        found.ours = onMesh(sheet, COUNT, LEAST, new Randomness(3, 'spread', 'darts')).count
      },
      theirs: () => {
        const sampler = new PoissonDiskSampling({ shape: [10, 10], minDistance: LEAST }, minimalStandard(3))
        found.theirs = sampler.fill().length
      },
    },
    3,
  )
  const each = { ours: taken.ours / found.ours, theirs: taken.theirs / found.theirs }
  table(`Points at least ${1000 * LEAST} mm apart (asked: faster than the peer; medians of 3 alternating runs)`, [
    {
      by: `Hilera, over ${indices.length / 3} triangles`,
      time: ms(taken.ours),
      points: found.ours,
      'a point, to ours': ratio(1),
    },
    {
      by: 'poisson-disk-sampling, in the plane',
      time: ms(taken.theirs),
      points: found.theirs,
      'a point, to ours': ratio(each.theirs / each.ours),
    },
  ])
}
