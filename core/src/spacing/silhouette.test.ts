import { describe, expect, it } from 'vitest'
import { buildSolid } from '../solids/build'
import { silhouetteOf } from './silhouette'

describe('a silhouette', () => {
  it('of a box is its side', () => {
    const [face] = silhouetteOf(buildSolid({ kind: 'box', width: 2, height: 3, depth: 4 }), [0, 0, 1], [0, 1, 0])
    expect(new Set(face.points.map(([x, y]) => `${x} ${y}`))).toEqual(new Set(['-2 0', '2 0', '2 3', '-2 3']))
  })

  it('paints the largest section first and keeps colours', () => {
    const mesh = buildSolid({
      kind: 'lathe',
      profile: [
        { radius: 0, height: 0 },
        { radius: 1, height: 0 },
        { radius: 1, height: 3, color: '#eeeeee' },
        { radius: 1, height: 4 },
        { radius: 0, height: 4 },
      ],
    })
    expect(silhouetteOf(mesh, [1, 0, 0], [0, 1, 0]).map((f) => f.color)).toEqual([undefined, '#eeeeee'])
  })
})
