import { expect, it } from 'vitest'
import { Matrix4, OrthographicCamera, PerspectiveCamera } from 'three'
import { aGrid, aPattern, aProject, box, pitched } from '../../test/projects'
import { Evaluator } from '../evaluate'
import { pickCombined } from './combined'
import { type Region, inRegion } from './region'

const grid = aPattern(aGrid({ across: pitched(5, 0.2), deep: pitched(5, 0.2) }), ['tin'], {
  place: { move: [1, 0, 0], turn: [0, 0, 0] },
})
const project = aProject([box('tin', 0.1)], grid)
const [{ table }] = new Evaluator().evaluate(project, new Map())
const stands = { pattern: grid, table }
const rows = (region: Region): number[] => {
  const takes = inRegion(stands, region)
  return Array.from({ length: table.count }, (_, k) => k).filter(takes)
}
const seenBy = (camera: PerspectiveCamera | OrthographicCamera): number[] => {
  camera.updateMatrixWorld()
  return new Matrix4().multiplyMatrices(camera.projectionMatrix, camera.matrixWorldInverse).toArray()
}

it('from above: who lies in the outline, wherever the pattern begins, and by even–odd', () => {
  // One metre to each side of the middle of the pattern, which is at 1.4 across and 0.4 deep or before.
  const at = Array.from({ length: table.count }, (_, k) => table.moveOf(k))
  const deep = at.reduce((sum, [, , z]) => sum + z, 0) / at.length
  const camera = new OrthographicCamera(-1, 1, 1, -1, 0.1, 10)
  camera.position.set(1 + at[12][0], 5, deep)
  camera.up.set(0, 0, -1)
  camera.lookAt(1 + at[12][0], 0, deep)
  const square = (half: number): [number, number][] => [
    [-half, -half],
    [half, -half],
    [half, half],
    [-half, half],
  ]
  const view = seenBy(camera)
  expect(rows({ view, corners: square(0.25) })).toHaveLength(9)
  expect(rows({ view, corners: square(0.05) })).toEqual([12])
  // A way once round outside and once round inside leaves the middle out.
  const twice = [...square(0.3), square(0.3)[0], square(0.1)[0], ...square(0.1).slice(1), square(0.1)[0]]
  expect(rows({ view, corners: twice })).not.toContain(12)
})

it('in perspective as three projects it; what is behind the eye is not inside', () => {
  const camera = new PerspectiveCamera(50, 1.6, 0.1, 10)
  camera.position.set(1.4, 0.5, 1)
  camera.lookAt(1.4, 0, -1)
  const all: Region = {
    view: seenBy(camera),
    corners: [
      [-1, -1],
      [1, -1],
      [1, 1],
      [-1, 1],
    ],
  }
  const seen = Array.from({ length: table.count }, (_, k) => k).filter((k) => {
    const [x, y, z] = table.moveOf(k)
    const away = camera.worldToLocal(camera.position.clone().set(x + 1, y, z))
    const [across, up] = [away.x / -away.z, away.y / -away.z]
    const half = Math.tan((25 * Math.PI) / 180)
    return away.z < 0 && Math.abs(up) <= half && Math.abs(across) <= 1.6 * half
  })
  expect(rows(all)).toEqual(seen)
  expect(seen.length).toBeGreaterThan(3)
  expect(seen.length).toBeLessThan(25)
})

it('joined with others as any condition is; without an outline it picks nobody', () => {
  const region: Region = { view: new Matrix4().toArray(), corners: [[0, 0]] }
  const context = { inRegion: () => (row: number) => row > 20 }
  const picked = (one?: Region) =>
    pickCombined(
      table,
      'shelf',
      [
        { joint: 'and', pick: { kind: 'region', region: one } },
        { joint: 'and not', pick: { kind: 'range', from: 1, to: 23 } },
      ],
      context,
    )
  expect(picked(region)).toHaveLength(2)
  expect(picked()).toEqual([])
})
