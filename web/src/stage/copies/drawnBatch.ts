import type { BoxTree } from '@hilera/core/geometry/boxTree'
import type { InstanceTable } from '@hilera/core/instances'
import { HIDDEN, placedAt } from '@hilera/core/motion/placedAt'
import type { Moved } from '@hilera/core/motion/state'
import * as THREE from 'three'
import { CHUNK, PLACED } from '../../worker/batches'
import type { Batch } from '../../worker/messages'
import type { DrawnPart } from './drawnPart'
import { type PlacedBuffer, letGoOfPlaced, placedBuffer, placedGeometry, standPlaced } from './placed'
import { SPECK } from './speck'
import { Tints } from './tints'

/** Copies that are drawn by one call each for surface and ink, or not at all where they lie outside the picture. */
export interface Chunk {
  readonly first: number
  readonly count: number
  readonly buffer: PlacedBuffer
  readonly tints: Tints
  /** About all of them, in the pattern's axes. */
  readonly sphere: THREE.Sphere
  /** The largest of their sizes. */
  readonly size: number
  readonly surface: THREE.Mesh
  readonly speck: THREE.Mesh | undefined
  readonly ink: THREE.LineSegments | undefined
  /** How far in front of the eye it begins, and how much work it is, as it was last looked at; 0 outside the picture. */
  depth: number
  work: number
  /** Over its copies, made when a ray first comes near them. */
  tree: BoxTree | undefined
}

/** Of fewer copies one that is not drawn is missed: they are always drawn all. */
const CROWD = 1000

/** How the picture is looked at. */
export interface Seen {
  /** In the world. */
  readonly frustum: THREE.Frustum
  readonly camera: THREE.PerspectiveCamera | THREE.OrthographicCamera
  /** Of the picture, in pixels. */
  readonly height: number
}

/** How a batch takes part in light and shadow. */
export interface Shadows {
  readonly casts: boolean
  readonly receives: boolean
}

/** What is drawn in the steps of a picture that is completed bit by bit. */
export const COMPLETING = 1

/** The copies of one part in one pattern, on the graphics side. */
export class DrawnBatch {
  readonly root = new THREE.Group()
  readonly chunks: Chunk[] = []
  /** So many of each chunk cast a shadow. */
  private shadowed = 1

  constructor(
    readonly batch: Batch,
    readonly part: DrawnPart,
    private readonly inkOf: THREE.ShaderMaterial,
    shadows: Shadows,
  ) {
    const { placed, rows } = batch
    for (let first = 0; first < rows.length; first += CHUNK) {
      const count = Math.min(CHUNK, rows.length - first)
      this.add(first, placed.subarray(PLACED * first, PLACED * (first + count)), shadows)
    }
  }

  private add(first: number, placed: Float32Array, { casts, receives }: Shadows): void {
    const { drawing, materials, ink, speck } = this.part
    const { sphere, size } = boundsOf(placed, drawing.sphere)
    const buffer = placedBuffer(placed)
    const stand = <T extends THREE.Mesh | THREE.LineSegments>(thing: T): T => {
      thing.geometry.boundingSphere = sphere
      this.root.add(thing)
      return thing
    }
    const mesh = (shape: THREE.BufferGeometry, material: THREE.Material | THREE.Material[]): THREE.Mesh => {
      const made = stand(new THREE.Mesh(placedGeometry(shape, buffer), material))
      made.castShadow = casts
      made.receiveShadow = receives
      made.customDepthMaterial = shadowMaterial
      made.onBeforeShadow = () => this.setCounts(made, buffer.count, this.shadowed)
      made.onAfterShadow = () => this.setCounts(made, buffer.count, made.userData.share as number)
      made.userData.share = 1
      return made
    }
    const surface = mesh(drawing.surface, materials)
    const far = speck && mesh(speck.shape, speck.material)
    this.chunks.push({
      first,
      count: buffer.count,
      buffer,
      tints: new Tints(
        buffer.count,
        [surface, far].flatMap((thing) => thing?.geometry ?? []),
      ),
      sphere,
      size,
      surface,
      speck: far,
      ink: ink && stand(new THREE.LineSegments(placedGeometry(ink, buffer), this.inkOf)),
      depth: 0,
      work: 0,
      tree: undefined,
    })
  }

  /**
   * Chooses for each chunk how it is drawn as it is seen.
   *
   * @returns how much work all of it is: triangles and lines
   */
  look({ frustum, camera, height }: Seen): number {
    const world = this.root.matrixWorld
    let work = 0
    for (const chunk of this.chunks) {
      const seen = sphere.copy(chunk.sphere).applyMatrix4(world)
      chunk.depth = depthOf(seen, camera)
      const across = 2 * this.part.drawing.sphere.radius * chunk.size
      const pixels = (across * camera.projectionMatrix.elements[5] * height) / 2 / nearest(chunk.depth, camera)
      const small = chunk.speck !== undefined && pixels < SPECK
      chunk.surface.visible = !small
      if (chunk.speck) chunk.speck.visible = small
      if (chunk.ink) chunk.ink.visible = !small
      const each = small ? 12 : trianglesOf(chunk.surface) + (chunk.ink ? linesOf(chunk.ink) : 0)
      chunk.work = frustum.intersectsSphere(seen) ? each * chunk.count : 0
      work += chunk.work
    }
    return work
  }

  /**
   * Stands the copies as they are at a moment.
   *
   * @param at how the copy in a row of the pattern's own table is moved; all stand as they rest where it is absent
   * @param table the pattern's own
   */
  play(at: ((row: number) => Moved) | undefined, table: InstanceTable): void {
    const { placed, rows } = this.batch
    for (const { first, count, buffer, sphere, tints } of this.chunks) {
      const rest = placed.subarray(PLACED * first, PLACED * (first + count))
      if (!at && buffer.array.buffer === placed.buffer) continue
      if (at && buffer.array.buffer === placed.buffer) buffer.array = new Float32Array(rest.length)
      if (!at) buffer.array = rest
      const out = buffer.array as Float32Array
      tints.clear()
      for (let i = 0; at && i < count; i++) {
        const row = rows[first + i]
        const moved = at(row)
        placedAt(moved, table, row, rest, PLACED * i, out)
        if (moved.tint) tints.lay(i, moved.tint)
      }
      tints.send()
      buffer.needsUpdate = true
      sphere.copy(boundsOf(out, this.part.drawing.sphere).sphere)
    }
  }

  /** Whether fewer of them can be drawn for a moment. */
  get isCrowd(): boolean {
    return this.batch.rows.length >= CROWD
  }

  /**
   * Draws so much of each chunk, spread over it; with its ink or without.
   *
   * @param light how much of that is enough for a moment
   */
  draw(share: number, light: number, inked: boolean, shadowed: number): void {
    this.shadowed = this.isCrowd ? share * shadowed : share
    const drawn = this.isCrowd ? share * light : share
    for (const { surface, speck, ink, count } of this.chunks) {
      for (const mesh of [surface, speck]) {
        if (!mesh) continue
        mesh.userData.share = drawn
        this.setCounts(mesh, count, drawn)
        mesh.layers.set(0)
      }
      if (!ink) continue
      this.setCounts(ink, count, drawn)
      ink.layers.set(inked ? 0 : 2)
    }
  }

  /** What there is still to draw, the nearest first, as things that take themselves into the next step of a picture. */
  *rest(share: number): Generator<{ readonly depth: number; readonly work: number; take(): void; leave(): void }> {
    for (const { surface, speck, ink, count, depth, work } of this.chunks) {
      if (work === 0) continue
      const things = [surface, speck, ink].filter((thing) => thing !== undefined)
      yield {
        depth,
        work: work * share,
        take: () => {
          for (const thing of things) {
            this.setCounts(thing, count, share)
            if (thing !== ink) thing.userData.share = share
            thing.layers.set(COMPLETING)
          }
        },
        leave: () => things.forEach((thing) => thing.layers.set(0)),
      }
    }
  }

  private setCounts({ geometry }: THREE.Mesh | THREE.LineSegments, count: number, share: number): void {
    ;(geometry as THREE.InstancedBufferGeometry).instanceCount = partOf(count, share)
  }

  /** Draws with other materials than its own, or its own again. */
  cover(material: THREE.Material | undefined): void {
    for (const { surface, speck } of this.chunks) {
      surface.material = material ?? this.part.materials
      if (speck) speck.material = material ?? this.part.speck!.material
    }
  }

  dispose(): void {
    for (const { surface, speck, ink } of this.chunks)
      for (const thing of [surface, speck, ink]) if (thing) letGoOfPlaced(thing.geometry)
    this.root.clear()
  }
}

/** How many of a chunk a share of it is: at least one. */
export const partOf = (count: number, share: number): number => Math.max(1, Math.round(count * share))

/** Whether a copy is among those that are drawn of its batch. */
export function isDrawn(copy: number, all: number, share: number): boolean {
  const count = Math.min(CHUNK, all - CHUNK * Math.floor(copy / CHUNK))
  return copy % CHUNK < partOf(count, share)
}

const shadowMaterial = standPlaced(new THREE.MeshDepthMaterial())
const sphere = new THREE.Sphere()
const toEye = new THREE.Vector3()

function depthOf({ center, radius }: THREE.Sphere, camera: THREE.Camera): number {
  return -toEye.copy(center).applyMatrix4(camera.matrixWorldInverse).z - radius
}

/** By what sizes are divided as they are seen. */
const nearest = (depth: number, camera: THREE.PerspectiveCamera | THREE.OrthographicCamera): number =>
  camera instanceof THREE.PerspectiveCamera ? Math.max(depth, camera.near) : 1

const trianglesOf = ({ geometry: { index, attributes } }: THREE.Mesh): number =>
  (index ? index.count : attributes.position.count) / 3
const linesOf = ({ geometry }: THREE.LineSegments): number => geometry.attributes.position.count / 2

/** The sphere about placed copies of a part, and the largest of their sizes. */
function boundsOf(placed: Float32Array, own: THREE.Sphere): { sphere: THREE.Sphere; size: number } {
  const box = [Infinity, Infinity, Infinity, -Infinity, -Infinity, -Infinity]
  let size = 0
  for (let i = 0; i < placed.length; i += PLACED) {
    if (placed[i + 7] <= HIDDEN) continue
    for (let j = 0; j < 3; j++) {
      const at = placed[i + j]
      if (at < box[j]) box[j] = at
      if (at > box[j + 3]) box[j + 3] = at
      if (placed[i + 7 + j] > size) size = placed[i + 7 + j]
    }
  }
  const [low, high] = [new THREE.Vector3().fromArray(box), new THREE.Vector3().fromArray(box, 3)]
  const about = new THREE.Box3(low, high).getBoundingSphere(new THREE.Sphere())
  about.radius += size * (own.center.length() + own.radius)
  return { sphere: about, size }
}
