import { AnimationMixer, type Object3D, Quaternion, Vector3 } from 'three'
import { GLTFLoader } from 'three/addons/loaders/GLTFLoader.js'
import { beforeAll, describe, expect, it } from 'vitest'
import { casaNispero } from '@hilera/demo/casaNispero'
import type { Change } from '../../src/motion/change/schema'
import { Moments } from '../../src/motion/moments'
import { Playing } from '../../src/motion/playing'
import { movements } from '../../src/motion/registry'
import { movedPlacing } from '../../src/motion/standing'
import { RESTS } from '../../src/motion/state'
import { angleBetween, usualTolerance } from '../../src/motion/tracks'
import { fromTurns, rotate } from '../../src/geometry/rotation'
import { inWorld } from '../../src/model/inWorld'
import type { Pattern } from '../../src/model/pattern'
import type { Project } from '../../src/model/project'
import { writers } from '../../src/writers/registry'
import { workedScene } from '../../src/writers/scene'
import { aCompanion, aGrid, aLine, aMirror, aPattern, aPlane, aProject, aRing, ball, box, pitched } from '../projects'

const arrives = (change: object) => [{ ...movements.arrive.begin('in', 5, 5), ...change }]

/** A shelf that arrives turning and growing, a bulb on each, its mirror image, a grid at random that leaves again, and one that sways. */
function everything(): Project {
  const shelf = aPattern(aLine({ hold: ['spacing', 'count'], count: 6 }), ['tin'], {
    place: { move: [0.3, 0.1, -0.2], turn: [0.1, 0.4, 0] },
    motion: arrives({ begin: 0.25, apart: 0.2, each: 0.75, turn: 2.5, about: 'deep', size: 0.4, easing: 'softly' }),
  })
  const own = (id: string, pattern: Pattern): Pattern => ({ ...pattern, id, name: id })
  return aProject(
    [box('tin', 0.1), ball('bulb', 0.03)],
    shelf,
    own('bulbs', aPattern(aCompanion('shelf'), ['bulb'])),
    own('images', aPattern(aMirror('shelf', aPlane('across', { offset: -2 })), [])),
    own(
      'grid',
      aPattern(aGrid({ across: pitched(4, 0.2), deep: pitched(3, 0.2) }), ['tin', 'bulb'], {
        motion: [
          ...arrives({
            order: 'chance',
            hold: ['each', 'inAll'],
            each: 0.5,
            inAll: 1.5,
            from: 'above',
            easing: 'slowBoth',
          }),
          {
            ...movements.arrive.begin('out', 5, 5),
            way: 'out',
            begin: 3,
            apart: 0.05,
            each: 0.5,
            from: 'right',
            size: 0.1,
          },
        ],
      }),
    ),
    own(
      'swaying',
      aPattern(aLine(), ['tin'], { motion: [{ ...movements.idle.begin('idle', 5, 5), angle: 0.4, once: 1.3 }] }),
    ),
  )
}

/** A ring that opens while copies join it, which arrive as well; what accompanies it; and a line that closes up. */
function changing(): Project {
  const change = (value: string, quantity: Change['quantity'], from: number, to: number, end: number): Change => ({
    ...movements.change.begin(value.toLowerCase(), 5, 5),
    ...{ value, quantity, from: { at: 0.5, value: from }, keys: [{ at: end, value: to, easing: 'slowBoth' }] },
  })
  const ring = aPattern(aRing({ hold: ['radius', 'count'], count: 12, radius: 0.3 }), ['tin'], {
    id: 'ring',
    name: 'ring',
    motion: [change('Radius', 'length', 0.1, 0.3, 3), change('Count', 'count', 2, 12, 4), ...arrives({ begin: 0.1 })],
  })
  const bulbs = aPattern(aCompanion('ring'), ['bulb'], { id: 'bulbs', name: 'bulbs' })
  const row = aPattern(aLine({ hold: ['spacing', 'count'], measure: 'pitch' }), ['tin'], {
    id: 'row',
    name: 'row',
    place: { move: [0.2, 0.1, -0.3], turn: [0.1, 0.5, 0] },
    motion: [
      change('Spacing', 'length', 0.4, 0.15, 2),
      { ...change('Start up', 'length', 0.5, 0.1, 3), of: 'place' },
      { ...change('Turn about up', 'angle', -1, 0.5, 3), of: 'place' },
    ],
  })
  return aProject([box('tin', 0.1), ball('bulb', 0.03)], ring, bulbs, row)
}

async function written(project: Project) {
  const scene = workedScene(project, new Map())
  const out = await writers.glb.write(scene, { ...writers.glb.usual(1), motion: 'yes' })
  if (!out.ok) throw new Error('not written')
  return { scene, ...out.value }
}

// The loader reads pictures through what browsers call self.
beforeAll(() => void ((globalThis as { self?: unknown }).self ??= globalThis))

describe('the animation of a file, played by three’s AnimationMixer', () => {
  it('at 200 moments every copy is where the core has it, to within what is stated', async () => {
    const { scene, bytes } = await written(everything())
    const { scene: root, animations } = await new GLTFLoader().parseAsync(bytes.slice().buffer, '')
    expect(animations).toHaveLength(1)
    expect(animations[0].duration).toBeCloseTo(5, 6)
    const mixer = new AnimationMixer(root)
    mixer.clipAction(animations[0]).play()
    const playing = new Playing(scene.project, scene.outcomes)
    let [seen, hidden] = [0, 0]
    // Its action begins with the first moment after 0.
    for (let n = 1; n <= 200; n++) {
      const time = 5 * ((n * 0.618_033_988_7) % 1) * 0.9999
      mixer.setTime(time)
      root.updateMatrixWorld(true)
      for (const [i, pattern] of scene.project.patterns.entries()) {
        const { table } = scene.outcomes[i]
        const group = root.getObjectByName(pattern.name.replaceAll(' ', '_'))!
        const turn = fromTurns(pattern.place.turn)
        for (const [k, node] of group.children.entries()) {
          const moved = playing.of(pattern.id)!.at(k, time)
          const meant = movedPlacing(table.moveOf(k), table.placingOf(k), moved)
          const at = rotate(turn, meant.move).map((c, j) => c + pattern.place.move[j])
          const drawn = drawnOf(node)
          const edge = playing
            .of(pattern.id)!
            .turns(k)
            .some((t) => Math.abs(t - time) < 1e-6)
          if (edge) continue
          expect(drawn.size > 0).toBe(moved.shown)
          if (!moved.shown) {
            hidden++
            continue
          }
          seen++
          // Beside what is stated, 32-bit floats.
          expect(Math.hypot(...drawn.at.map((c, j) => c - at[j]))).toBeLessThan(usualTolerance.place + 1e-6)
          expect(Math.abs(drawn.size - meant.size[0]) / meant.size[0]).toBeLessThan(usualTolerance.size + 1e-5)
          const own = new Quaternion(...turn).multiply(new Quaternion(...meant.turn))
          expect(angleBetween([own.x, own.y, own.z, own.w], drawn.turn)).toBeLessThan(usualTolerance.angle + 1e-5)
        }
      }
    }
    expect(seen).toBeGreaterThan(2000)
    expect(hidden).toBeGreaterThan(500)
  })

  it('numbers that change: at every picture there are as many copies, and each is where that moment’s document has it', async () => {
    const project = changing()
    const { bytes } = await written(project)
    expect((await writers.glb.judge!(bytes)).errors).toBe(0)
    const { scene: root, animations } = await new GLTFLoader().parseAsync(bytes.slice().buffer, '')
    const mixer = new AnimationMixer(root)
    mixer.clipAction(animations[0]).play()
    const moments = new Moments(project, new Map())
    const counts = new Set<number>()
    for (let picture = 1; picture < 5 * 24; picture += 3) {
      // Just after a picture what comes with it is there; by then it has gone less than 0.1 mm on.
      const time = picture / 24 + 1e-5
      mixer.setTime(time)
      root.updateMatrixWorld(true)
      const { project: then, outcomes, playing } = moments.at(picture / 24)
      for (const [i, { id }] of project.patterns.entries()) {
        const { table } = outcomes[i]
        const meant = Array.from({ length: table.count }, (_, k) => k).flatMap((k) => {
          const moved = playing.of(id)?.at(k, picture / 24) ?? RESTS
          const placed = movedPlacing(table.moveOf(k), table.placingOf(k), moved)
          return moved.shown ? [inWorld(then.patterns[i], placed).move] : []
        })
        const drawn = root
          .getObjectByName(id)!
          .children.map(drawnOf)
          .filter(({ size }) => size > 0)
        expect([picture, id, drawn.length]).toEqual([picture, id, meant.length])
        for (const at of meant)
          expect(Math.min(...drawn.map((d) => Math.hypot(...d.at.map((c, j) => c - at[j]))))).toBeLessThan(2e-4)
        if (id === 'ring') counts.add(drawn.length)
      }
    }
    expect(counts.size).toBeGreaterThan(8)
  })

  it('its keys begin and end exactly when the copies do, to 32 bits', async () => {
    const { scene, bytes } = await written(everything())
    const { animations } = await new GLTFLoader().parseAsync(bytes.slice().buffer, '')
    const times = new Set(animations[0].tracks.flatMap((track) => [...track.times]))
    const playing = new Playing(scene.project, scene.outcomes)
    for (const { id } of scene.project.patterns)
      for (const { from, to } of playing.of(id)!.bars)
        for (const time of [from, to]) expect(times.has(Math.fround(time))).toBe(true)
  })

  it('the opening of the demo: no error of the validator, and every tin has its node', async () => {
    const { bytes, told } = await written(casaNispero())
    const verdict = await writers.glb.judge!(bytes)
    expect(verdict.errors).toBe(0)
    expect(JSON.stringify(told)).toContain('keys, to within')
    const { scene } = await new GLTFLoader().parseAsync(bytes.slice().buffer, '')
    expect(scene.getObjectByName('Shelf_tins')!.children).toHaveLength(9)
  }, 60_000)

  it('of instances those that move are nodes; without motion nothing changes', async () => {
    const scene = workedScene(everything(), new Map())
    const moving = await writers.glb.write(scene, { ...writers.glb.usual(1), style: 'instanced', motion: 'yes' })
    const still = await writers.glb.write(scene, { ...writers.glb.usual(1), motion: 'no' })
    if (!moving.ok || !still.ok) throw new Error('not written')
    expect((await writers.glb.judge!(moving.value.bytes)).errors).toBe(0)
    const read = await new GLTFLoader().parseAsync(still.value.bytes.slice().buffer, '')
    expect(read.animations).toEqual([])
    // What it will take is told before, within a quarter.
    for (const [options, { bytes }] of [
      [{ motion: 'yes' }, await written(everything())],
      [{ motion: 'no' }, still.value],
    ] as const) {
      const forecast = writers.glb.forecast(scene, { ...writers.glb.usual(1), ...options })
      expect(forecast.ok && Math.abs(forecast.value.bytes / bytes.length - 1)).toBeLessThan(0.4)
    }
  })
})

/** Where the mesh under a node is drawn. */
function drawnOf(node: Object3D) {
  let mesh = node
  while (mesh.children.length > 0) mesh = mesh.children[0]
  const [at, turn, size] = [new Vector3(), new Quaternion(), new Vector3()]
  mesh.matrixWorld.decompose(at, turn, size)
  // What has size 0 is not taken apart: its size is that of its first column.
  return {
    at: at.toArray(),
    turn: [turn.x, turn.y, turn.z, turn.w] as const,
    size: Math.hypot(...mesh.matrixWorld.elements.slice(0, 3)),
  }
}
