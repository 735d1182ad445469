import * as THREE from 'three'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { opened } from '../../test/opened'
import { Copies } from './copies'

vi.mock('comlink', () => import('../../test/comlink'))

describe('copies on the stage', () => {
  let page: Awaited<ReturnType<typeof opened>>
  let copies: Copies
  const show = (): void => copies.show(page.outcomes.worked, page.outcomes.patterns, page.outcomes.source)
  const meshes = (): THREE.InstancedMesh[] => {
    const found: THREE.InstancedMesh[] = []
    copies.root.traverse((thing) => void (thing instanceof THREE.InstancedMesh && found.push(thing)))
    return found
  }
  beforeEach(async () => {
    page = await opened()
    copies = new Copies(false, '#24262e', () => {})
    show()
  })

  it('are as many as the outcomes say, and are drawn anew only where something changed', async () => {
    const drawn = (): number => meshes().reduce((n, m) => n + m.count, 0)
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
    expect([...copies.boxes()]).toEqual([])
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
})
