import { grainOf, guiseKey, guiseMesh } from '@hilera/core/parts/guise'
import type { PartSource } from '@hilera/core/parts/partMesh'
import type { Part } from '@hilera/core/model/part'
import type { Pattern } from '@hilera/core/model/pattern'
import type { Project } from '@hilera/core/model/project'
import { fromTurns } from '@hilera/core/geometry/rotation'
import * as THREE from 'three'
import type { Mesh } from '@hilera/core/geometry/mesh'
import type { Batch, PatternUpdate } from '../worker/messages'
import { drawingOf, type PartDrawing } from './geometry'
import { hatchMaterial } from './hatch'
import { inkLines, inkMaterial } from './ink'
import { visitAlong } from '@hilera/core/geometry/boxTree'
import { type PickTree, pickTreeOf } from './pickTree'
import type { Inking } from '../stores/view'
import { letGoOfMaterial } from './letGo'
import { surfaceOf } from './surfaces'

/** Outlines of so many picked copies are drawn; all carry their dots. */
const MOST_OUTLINED = 3000

/** How strong ink edges are on surfaces. */
const STRENGTH = 0.34

interface DrawnPattern {
  readonly group: THREE.Group
  /** What it was drawn from. */
  update: PatternUpdate | undefined
  batches: readonly Batch[]
  drawings: readonly PartDrawing[]
  /** Over its copies, made when a ray first asks for it. */
  tree: PickTree | undefined
}

export interface Hit {
  readonly patternId: string
  readonly row: number
  readonly distance: number
  /** Which way the face that was met looks, in the world. */
  readonly normal: THREE.Vector3
  /** The ink edges of the copy, as pairs of points in the world. */
  edges(): Float32Array
}

/** All copies on the stage: two draw calls for each part of a pattern, one for its surface and one for its ink. */
export class Copies {
  readonly root = new THREE.Group()
  private readonly patterns = new Map<string, DrawnPattern>()
  private readonly drawings = new Map<
    string,
    { part: Part; mesh: Mesh; drawing: PartDrawing; surface: THREE.Material[] | THREE.Material }
  >()
  private readonly ink: THREE.ShaderMaterial
  /** What covers the edges behind it where things are drawn as ink on paper. */
  private readonly paper = new THREE.MeshBasicMaterial({
    polygonOffset: true,
    polygonOffsetFactor: 1,
    polygonOffsetUnits: 1,
  })
  private inking: Inking = 'inked'
  private share = 1
  private hatched: THREE.Group | undefined
  private readonly hatching = hatchMaterial()
  private ghost: string | undefined

  constructor(
    private readonly fine: boolean,
    inkColor: string,
    private readonly pictureRead: () => void,
  ) {
    this.ink = inkMaterial(inkColor, STRENGTH)
  }

  /**
   * Brings the stage to a project and what it was worked out to; redraws only what changed.
   *
   * @param share draws only so many of the copies, spread over all of them
   * @param ghost the pattern whose images are only proposed, and drawn as a ghost
   */
  show(
    project: Project,
    updates: readonly PatternUpdate[],
    source: PartSource,
    { share = 1, ghost }: { share?: number; ghost?: string | undefined } = {},
  ): void {
    if (share !== this.share) for (const drawn of this.patterns.values()) drawn.update = undefined
    this.share = share
    for (const id of [ghost, this.ghost]) {
      const drawn = ghost === this.ghost || id === undefined ? undefined : this.patterns.get(id)
      if (drawn) drawn.update = undefined
    }
    this.ghost = ghost
    const alive = new Set(project.patterns.map((p) => p.id))
    for (const [id, { group }] of this.patterns) {
      if (alive.has(id)) continue
      this.clear(group)
      this.root.remove(group)
      this.patterns.delete(id)
    }
    for (const pattern of project.patterns) {
      const update = updates.find((u) => u.id === pattern.id)
      if (update) this.showPattern(project, pattern, update, source)
    }
    this.dropUnused()
  }

  /** Lets go of drawings that no pattern shows any more: colours that were tried leave one each. */
  private dropUnused(): void {
    const shown = new Set([...this.patterns.values()].flatMap(({ drawings }) => drawings))
    for (const [key, { drawing, surface }] of this.drawings) {
      if (shown.has(drawing)) continue
      drawing.surface.dispose()
      letGoOfMaterial(surface)
      this.drawings.delete(key)
    }
  }

  private showPattern(project: Project, pattern: Pattern, update: PatternUpdate, source: PartSource): void {
    let drawn = this.patterns.get(pattern.id)
    if (!drawn) {
      drawn = { group: new THREE.Group(), update: undefined, batches: [], drawings: [], tree: undefined }
      this.root.add(drawn.group)
      this.patterns.set(pattern.id, drawn)
    }
    const { group } = drawn
    group.position.set(...pattern.place.move)
    group.quaternion.set(...fromTurns(pattern.place.turn))
    group.visible = !pattern.hidden
    group.updateMatrixWorld(true)

    // Between a change of the document and the worker's answer, a batch may speak of a part that is gone.
    const batches = update.batches
      .filter((batch) => project.parts[batch.part])
      .map((batch) => thinned(batch, this.share))
    const drawings = batches.map((batch) =>
      this.drawingFor(project.parts[batch.part], batch, batch.image && pattern.id === this.ghost, source),
    )
    const present = batches.flatMap((batch, i) => (drawings[i] ? [{ batch, ...drawings[i] }] : []))
    const same = drawn.update === update && present.every(({ drawing }, i) => drawn.drawings[i] === drawing)
    if (same) return
    this.clear(group)
    for (const { batch, drawing, surface } of present) {
      const mesh = new THREE.InstancedMesh(drawing.surface, this.inking === 'ink' ? this.paper : surface, 0)
      mesh.userData.surface = surface
      mesh.instanceMatrix = new THREE.InstancedBufferAttribute(batch.matrices, 16)
      mesh.count = batch.rows.length
      mesh.frustumCulled = false
      const { look, shape } = project.parts[batch.part]
      mesh.castShadow =
        this.fine &&
        !(batch.image && pattern.id === this.ghost) &&
        look.shadow !== false &&
        shape.kind !== 'light' &&
        shape.kind !== 'placeholder'
      mesh.receiveShadow = this.fine
      group.add(mesh)
      if (drawing.ink) group.add(inkLines(drawing.ink, batch.matrices, this.ink))
    }
    drawn.update = update
    drawn.batches = present.map(({ batch }) => batch)
    drawn.drawings = present.map(({ drawing }) => drawing)
    drawn.tree = undefined
  }

  private drawingFor(
    part: Part,
    guise: Batch,
    ghost: boolean,
    source: PartSource,
  ): { drawing: PartDrawing; surface: THREE.Material[] | THREE.Material } | undefined {
    const key = `${part.id} ${guiseKey(guise)} ${ghost}`
    const known = this.drawings.get(key)
    const mesh = guiseMesh(part, source, guise)
    if (!mesh) return undefined
    if (known && known.part === part && known.mesh === mesh) return known
    known?.drawing.surface.dispose()
    if (known) letGoOfMaterial(known.surface)
    const drawing = drawingOf(part, mesh)
    const grain = grainOf(part, guise)
    const surface = surfaceOf(part, mesh, { fine: this.fine, ghost, ...(grain && { grain }) }, this.pictureRead)
    const made = { part, mesh, drawing, surface }
    this.drawings.set(key, made)
    return made
  }

  private clear(group: THREE.Group): void {
    for (const child of [...group.children]) {
      if (child === this.hatched) this.hatched = undefined
      group.remove(child)
      if (child instanceof THREE.InstancedMesh) child.dispose()
      else if (child instanceof THREE.LineSegments) (child.geometry as THREE.BufferGeometry).dispose()
    }
  }

  /**
   * Draws with ink edges, without them, or as ink alone.
   *
   * @param colors of the ink, and of the paper that it stands on
   */
  setInking(inking: Inking, colors: { readonly ink: string; readonly stage: string }): void {
    this.inking = inking
    this.ink.visible = inking !== 'plain'
    this.ink.uniforms.strength.value = inking === 'ink' ? 0.8 : STRENGTH
    this.ink.uniforms.color.value.set(colors.ink)
    this.paper.color.set(colors.stage)
    for (const { group } of this.patterns.values())
      for (const child of group.children)
        if (child instanceof THREE.InstancedMesh && child.userData.surface)
          child.material = inking === 'ink' ? this.paper : (child.userData.surface as THREE.Material)
  }

  /** Hatches the copies that overlap. */
  hatch(patternId: string | undefined, overlaps: readonly { first: number; second: number }[], color: string): void {
    this.hatched?.parent?.remove(this.hatched)
    for (const mesh of this.hatched?.children ?? []) (mesh as THREE.InstancedMesh).dispose()
    this.hatched = undefined
    const drawn = patternId === undefined ? undefined : this.patterns.get(patternId)
    if (!drawn || overlaps.length === 0) return
    this.hatching.uniforms.color.value.set(color)
    const rows = new Set(overlaps.flatMap(({ first, second }) => [first, second]))
    const group = new THREE.Group()
    for (const [i, batch] of drawn.batches.entries()) {
      const chosen = Array.from(batch.rows.keys()).filter((at) => rows.has(batch.rows[at]))
      if (chosen.length === 0) continue
      const matrices = new Float32Array(16 * chosen.length)
      chosen.forEach((at, n) => matrices.set(batch.matrices.subarray(16 * at, 16 * at + 16), 16 * n))
      const mesh = new THREE.InstancedMesh(drawn.drawings[i].surface, this.hatching, 0)
      mesh.instanceMatrix = new THREE.InstancedBufferAttribute(matrices, 16)
      mesh.count = chosen.length
      mesh.frustumCulled = false
      group.add(mesh)
    }
    this.hatched = group
    drawn.group.add(group)
  }

  /** The ink edges of copies as pairs of world points, for their outlines when picked; of all their parts where they are whole patterns. */
  edgesOf(picked: ReadonlyMap<string, ReadonlySet<number>>): Float32Array | undefined {
    const pieces: Float32Array[] = []
    for (const [id, rows] of picked) this.gatherEdges(id, rows, pieces)
    if (pieces.length === 0) return undefined
    const out = new Float32Array(pieces.reduce((n, piece) => n + piece.length, 0))
    let at = 0
    for (const piece of pieces) {
      out.set(piece, at)
      at += piece.length
    }
    return out
  }

  private gatherEdges(patternId: string, rows: ReadonlySet<number>, pieces: Float32Array[]): void {
    const drawn = this.patterns.get(patternId)
    for (const [i, batch] of (drawn?.batches ?? []).entries()) {
      const ink = drawn?.drawings[i]?.ink
      if (!ink) continue
      for (let at = 0; at < batch.rows.length && pieces.length < MOST_OUTLINED; at++) {
        if (!rows.has(batch.rows[at])) continue
        const matrix = new THREE.Matrix4().fromArray(batch.matrices, 16 * at).premultiply(drawn.group.matrixWorld)
        pieces.push(placedEdges(ink, matrix))
      }
    }
  }

  /** The box around picked copies of any patterns. */
  boxOf(picked: ReadonlyMap<string, ReadonlySet<number>>): THREE.Box3 {
    const box = new THREE.Box3()
    for (const [id, rows] of picked) box.union(this.box(id, rows))
    return box
  }

  /** The boxes about all copies that are shown, by pattern and row, for picking them by an outline on the screen. */
  *boxes(): Generator<{ patternId: string; row: number; corners: THREE.Vector3[] }> {
    const matrix = new THREE.Matrix4()
    for (const [patternId, { group, batches, drawings }] of this.patterns) {
      if (!group.visible) continue
      for (const [i, { rows, matrices }] of batches.entries()) {
        const surface = drawings[i]?.surface
        if (!surface) continue
        if (!surface.boundingBox) surface.computeBoundingBox()
        const { min, max } = surface.boundingBox!
        for (let k = 0; k < rows.length; k++) {
          matrix.fromArray(matrices, 16 * k).premultiply(group.matrixWorld)
          const corners = Array.from({ length: 8 }, (_, c) =>
            new THREE.Vector3(c & 1 ? max.x : min.x, c & 2 ? max.y : min.y, c & 4 ? max.z : min.z).applyMatrix4(matrix),
          )
          yield { patternId, row: rows[k], corners }
        }
      }
    }
  }

  /** The box around what is shown: everything, one pattern, or some of its copies. */
  box(patternId?: string, picked?: ReadonlySet<number>): THREE.Box3 {
    const box = new THREE.Box3()
    for (const [id, { group, batches, drawings }] of this.patterns) {
      if (!group.visible || (patternId !== undefined && id !== patternId)) continue
      const matrix = new THREE.Matrix4()
      for (const [i, { rows, matrices }] of batches.entries()) {
        if (!drawings[i]) continue
        const own =
          drawings[i].surface.boundingBox ??
          (drawings[i].surface.computeBoundingBox(), drawings[i].surface.boundingBox!)
        for (let k = 0; k < rows.length; k++) {
          if (picked && !picked.has(rows[k])) continue
          matrix.fromArray(matrices, 16 * k).premultiply(group.matrixWorld)
          box.union(own.clone().applyMatrix4(matrix))
        }
      }
    }
    return box
  }

  /**
   * The nearest copy that a ray in the world meets: spheres find candidates, triangles decide.
   *
   * @param except copies that are passed through
   */
  pick(ray: THREE.Ray, except: (patternId: string, row: number) => boolean = () => false): Hit | undefined {
    let best: Hit | undefined
    const [matrix, back, own] = [new THREE.Matrix4(), new THREE.Matrix4(), new THREE.Ray()]
    const local = new THREE.Ray()
    for (const [patternId, drawn] of this.patterns) {
      const { group, batches, drawings } = drawn
      if (!group.visible) continue
      own.copy(ray).applyMatrix4(back.copy(group.matrixWorld).invert())
      drawn.tree ??= pickTreeOf(batches, drawings)
      const { tree, batch, copy } = drawn.tree
      visitAlong(
        tree,
        own.origin.toArray(),
        own.direction.toArray(),
        (item) => {
          const [i, k] = [batch[item], copy[item]]
          const { rows, matrices } = batches[i]
          if (except(patternId, rows[k])) return Infinity
          const drawing = drawings[i]
          matrix.fromArray(matrices, 16 * k).premultiply(group.matrixWorld)
          local.copy(ray).applyMatrix4(back.copy(matrix).invert())
          const hit = drawing.bvh.raycastFirst(local, THREE.FrontSide)
          if (!hit) return Infinity
          const distance = hit.point.applyMatrix4(matrix).distanceTo(ray.origin)
          if (best && distance >= best.distance) return Infinity
          const placed = matrix.clone()
          const normal = hit
            .face!.normal.clone()
            .applyNormalMatrix(new THREE.Matrix3().getNormalMatrix(placed))
            .normalize()
          best = { patternId, row: rows[k], distance, normal, edges: () => placedEdges(drawing.ink, placed) }
          return distance
        },
        best?.distance,
      )
    }
    return best
  }

  dispose(): void {
    for (const { group } of this.patterns.values()) this.clear(group)
    for (const { drawing, surface } of this.drawings.values()) {
      drawing.surface.dispose()
      letGoOfMaterial(surface)
    }
    this.ink.dispose()
    this.paper.dispose()
    this.hatching.dispose()
  }
}

function placedEdges(ink: Float32Array | undefined, matrix: THREE.Matrix4): Float32Array {
  const out = (ink ?? new Float32Array()).slice()
  const point = new THREE.Vector3()
  for (let k = 0; k < out.length; k += 3) point.fromArray(out, k).applyMatrix4(matrix).toArray(out, k)
  return out
}

/** A share of a batch, spread over all of it; at least one copy. */
function thinned(batch: Batch, share: number): Batch {
  if (share >= 1) return batch
  const count = Math.max(1, Math.round(batch.rows.length * share))
  const [rows, matrices] = [new Uint32Array(count), new Float32Array(16 * count)]
  for (let i = 0; i < count; i++) {
    const from = Math.floor((i * batch.rows.length) / count)
    rows[i] = batch.rows[from]
    matrices.set(batch.matrices.subarray(16 * from, 16 * from + 16), 16 * i)
  }
  return { ...batch, rows, matrices }
}
