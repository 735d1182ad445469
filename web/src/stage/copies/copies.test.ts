import * as THREE from 'three'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { opened } from '../../../test/opened'
import { Copies } from './copies'

vi.mock('comlink', () => import('../../../test/comlink'))

describe('copies on the stage', () => {
  let page: Awaited<ReturnType<typeof opened>>
  let copies: Copies
  const show = (): void => copies.show(page.outcomes.worked, page.outcomes.patterns, page.outcomes.source)
  /** Surfaces as they are drawn from near by. */
  const meshes = (): THREE.Mesh<THREE.InstancedBufferGeometry>[] => {
    const found: THREE.Mesh<THREE.InstancedBufferGeometry>[] = []
    copies.root.traverse(
      (thing) => void (thing instanceof THREE.Mesh && thing.visible && found.push(thing as (typeof found)[number])),
    )
    return found
  }
  const camera = new THREE.PerspectiveCamera(30, 1.5, 0.01, 1000)
  const lookFrom = (z: number): number => {
    camera.position.set(0, 0.2, z)
    camera.lookAt(0, 0.2, 0)
    camera.updateMatrixWorld()
    const through = new THREE.Matrix4().multiplyMatrices(camera.projectionMatrix, camera.matrixWorldInverse)
    return copies.look({ frustum: new THREE.Frustum().setFromProjectionMatrix(through), camera, height: 800 })
  }
  const drawn = (): number => meshes().reduce((n, m) => n + m.geometry.instanceCount, 0)
  beforeEach(async () => {
    page = await opened()
    copies = new Copies(false, '#24262e', () => {})
    show()
  })

  it('are as many as the outcomes say, and are drawn anew only where something changed', async () => {
    lookFrom(3)
    expect(drawn()).toBe(page.outcomes.patterns.reduce((n, p) => n + p.expanded.presentCount(), 0))
    const before = meshes()
    show()
    expect(meshes()).toEqual(before)
    await page.document.change('place', (p) => void (p.patterns[0].touchUps['0'] = { empty: true }))
    await page.settled()
    show()
    const kept = meshes().filter((m) => before.includes(m))
    const changed = page.outcomes.patterns[0].batches.length
    expect(kept.length).toBe(before.length - changed)
  })

  it('a ray picks the copy that it meets first, by pattern and row', () => {
    const at = page.document.project.patterns.findIndex((p) => p.id === 'shelf-tins')
    const { table } = page.outcomes.patterns[at]
    const place = new THREE.Vector3(...page.document.project.patterns[at].place.move)
    const [x, y, z] = table.moveOf(4)
    const from = new THREE.Vector3(x, y + 0.05, z + 5).add(place)
    const hit = copies.pick(new THREE.Ray(from, new THREE.Vector3(0, 0, -1)))
    expect([hit?.patternId, hit?.row]).toEqual(['shelf-tins', 4])
    expect(hit!.normal.z).toBeGreaterThan(0.5)
    expect(hit!.edges().length).toBeGreaterThan(0)
    expect(copies.pick(new THREE.Ray(from, new THREE.Vector3(0, 1, 0)))).toBeUndefined()
  })

  it('the box of some lies in the box of all; hidden patterns are in none', async () => {
    const some = copies.boxOf(new Map([['shelf-tins', new Set([0, 1])]]))
    expect(copies.box('shelf-tins').containsBox(some)).toBe(true)
    expect(some.getSize(new THREE.Vector3()).x).toBeLessThan(0.3)
    await page.document.change('hide', (p) => void p.patterns.forEach((q) => (q.hidden = true)))
    await page.settled()
    show()
    expect(copies.box().isEmpty()).toBe(true)
    const seen: string[] = []
    copies.eachBox((id) => void seen.push(id))
    expect(seen).toEqual([])
  })

  it('drawings that nothing shows any more are let go of', async () => {
    const gone = vi.fn()
    const [first] = meshes()
    first.geometry.addEventListener('dispose', gone)
    await page.document.change('color', (p) => void p.parts.forEach((part) => (part.look.color = '#123456')))
    await page.settled()
    show()
    expect(gone).toHaveBeenCalled()
    copies.dispose()
    expect(meshes()).toEqual([])
  })

  it('boxes by corners hold the box about all', () => {
    const about = new THREE.Box3()
    let count = 0
    copies.eachBox((_, __, corners) => {
      count++
      for (let i = 0; i < 24; i += 3) about.expandByPoint(new THREE.Vector3().fromArray(corners, i))
    })
    expect(count).toBe(page.outcomes.patterns.reduce((n, p) => n + p.expanded.presentCount(), 0))
    const box = copies.box()
    for (const end of ['min', 'max'] as const) expect(box[end].distanceTo(about[end])).toBeLessThan(1e-5)
  })

  it('from far away they are less work, looked away from none; a share of them is drawn at most of each', () => {
    const near = lookFrom(3)
    expect(lookFrom(400)).toBeLessThan(near / 4)
    camera.position.set(0, 0, 3)
    camera.lookAt(0, 0, 9)
    camera.updateMatrixWorld()
    const through = new THREE.Matrix4().multiplyMatrices(camera.projectionMatrix, camera.matrixWorldInverse)
    const away = new THREE.Frustum().setFromProjectionMatrix(through)
    expect(copies.look({ frustum: away, camera, height: 800 })).toBe(0)
    lookFrom(3)
    const all = drawn()
    // For a moment fewer are drawn only of what there are thousands of.
    copies.draw(0.25, false, 0.25)
    expect([copies.isCrowd, drawn()]).toEqual([false, all])
    copies.share = 0.25
    copies.draw(1, false, 1)
    // At least one of each is.
    expect(drawn()).toBeGreaterThanOrEqual(Math.floor(all / 4))
    expect(drawn()).toBeLessThan(all / 4 + meshes().length)
    copies.share = 1
    const rest = copies.rest()
    expect(rest.reduce((n, { work }) => n + work, 0)).toBeCloseTo(near, 6)
    for (const { take, leave } of rest) {
      take()
      leave()
    }
    expect(drawn()).toBe(all)
  })

  it('only what is drawn is picked where fewer are drawn', () => {
    const rows = (): number => {
      const found = new Set<number>()
      copies.eachBox((id, row) => void (id === 'shelf-tins' && found.add(row)))
      return found.size
    }
    const all = rows()
    copies.share = 0.5
    expect(rows()).toBeLessThan(all)
    expect(rows()).toBeGreaterThanOrEqual(all / 2)
  })
})
