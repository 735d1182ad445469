import { fromTurns } from '@hilera/core/geometry/rotation'
import type { Part } from '@hilera/core/model/part'
import type { Pattern } from '@hilera/core/model/pattern'
import type { Project } from '@hilera/core/model/project'
import type { Playing } from '@hilera/core/motion/playing'
import { guiseKey } from '@hilera/core/parts/guise'
import type { PartSource } from '@hilera/core/parts/partMesh'
import * as THREE from 'three'
import type { Inking } from '../../stores/view'
import { PLACED } from '../../worker/batches'
import type { Batch, PatternUpdate } from '../../worker/messages'
import { boxOfPlaced, cornersOf, ownBox } from './boxes'
import { DrawnBatch, type Seen, isDrawn } from './drawnBatch'
import { type DrawnPart, drawnPart, letGoOfPart } from './drawnPart'
import { hatchMaterial } from './hatch'
import { inkMaterial } from './ink'
import { metBy } from './pickTree'
import { letGoOfPlaced, matrixOf, placedBuffer, placedGeometry, standPlaced } from './placed'

/** Outlines of so many picked copies are drawn; all carry their dots. */
const MOST_OUTLINED = 3000

/** How strong ink edges are on surfaces. */
const STRENGTH = 0.34

interface DrawnPattern {
  readonly group: THREE.Group
  /** What it was drawn from. */
  update: PatternUpdate | undefined
  batches: readonly DrawnBatch[]
  /** About its copies in the world, made when it is first asked for. */
  box: THREE.Box3 | undefined
}

export interface Hit {
  readonly patternId: string
  readonly row: number
  readonly distance: number
  /** The part whose surface was met, by its number, and how it stands in the world. */
  readonly part: number
  readonly matrix: THREE.Matrix4
  /** Which way the face that was met looks, in the world. */
  readonly normal: THREE.Vector3
  /** The ink edges of the copy, as pairs of points in the world. */
  edges(): Float32Array
  /** The middle of the flat face that was met, in the world; none where it is no face to speak of. */
  middle(): THREE.Vector3 | undefined
}

/** All copies on the stage: for each part of a pattern, and each 4096 of its copies, one call for surfaces and one for ink. */
export class Copies {
  readonly root = new THREE.Group()
  private readonly patterns = new Map<string, DrawnPattern>()
  private readonly parts = new Map<string, DrawnPart>()
  private readonly ink: THREE.ShaderMaterial
  /** What covers the edges behind it where things are drawn as ink on paper. */
  private readonly paper = standPlaced(
    new THREE.MeshBasicMaterial({ polygonOffset: true, polygonOffsetFactor: 1, polygonOffsetUnits: 1 }),
  )
  private inking: Inking = 'inked'
  /** Draws only so many of the copies, spread over all of them. */
  share = 1
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
   * @param ghost the pattern whose images are only proposed, and drawn as a ghost
   */
  show(project: Project, updates: readonly PatternUpdate[], source: PartSource, ghost?: string): void {
    for (const id of [ghost, this.ghost]) {
      const drawn = ghost === this.ghost || id === undefined ? undefined : this.patterns.get(id)
      if (drawn) drawn.update = undefined
    }
    this.ghost = ghost
    const alive = new Set(project.patterns.map((p) => p.id))
    for (const [id, drawn] of this.patterns) {
      if (alive.has(id)) continue
      this.clear(drawn)
      this.root.remove(drawn.group)
      this.patterns.delete(id)
    }
    for (const pattern of project.patterns) {
      const update = updates.find((u) => u.id === pattern.id)
      if (update) this.showPattern(project, pattern, update, source)
    }
    this.dropUnused()
  }

  /** Stands all that moves as it is at a moment, in seconds; as it rests where nothing plays. */
  play(playing: Playing | undefined, moment: number): void {
    for (const [id, { update, batches }] of this.patterns) {
      const moving = playing?.of(id)
      if (update) for (const batch of batches) batch.play(moving && ((row) => moving.at(row, moment)), update.table)
    }
  }

  /** Lets go of drawings that no pattern shows any more: colours that were tried leave one each. */
  private dropUnused(): void {
    const shown = new Set([...this.drawn()].map(({ part }) => part))
    for (const [key, part] of this.parts) {
      if (shown.has(part)) continue
      letGoOfPart(part)
      this.parts.delete(key)
    }
  }

  private showPattern(project: Project, pattern: Pattern, update: PatternUpdate, source: PartSource): void {
    let drawn = this.patterns.get(pattern.id)
    if (!drawn) {
      drawn = { group: new THREE.Group(), update: undefined, batches: [], box: undefined }
      this.root.add(drawn.group)
      this.patterns.set(pattern.id, drawn)
    }
    const { group } = drawn
    const turn = new THREE.Quaternion(...fromTurns(pattern.place.turn))
    const move = new THREE.Vector3(...pattern.place.move)
    if (!group.position.equals(move) || !group.quaternion.equals(turn)) drawn.box = undefined
    group.position.copy(move)
    group.quaternion.copy(turn)
    group.visible = !pattern.hidden
    group.updateMatrixWorld(true)

    // Between a change of the document and the worker's answer, a batch may speak of a part that is gone.
    const present = update.batches.flatMap((batch) => {
      const of: Part | undefined = project.parts[batch.part]
      const part = of && this.partFor(of, batch, batch.image && pattern.id === this.ghost, source)
      return part ? [{ batch, part }] : []
    })
    const same = drawn.update === update && present.every(({ part }, i) => drawn.batches[i]?.part === part)
    if (same) return
    this.clear(drawn)
    drawn.batches = present.map(({ batch, part }) => {
      const { look, shape } = part.part
      const isSign = shape.kind === 'light' || shape.kind === 'placeholder'
      const ghostly = batch.image && pattern.id === this.ghost
      const casts = this.fine && !ghostly && look.shadow !== false && !isSign
      return new DrawnBatch(batch, part, this.ink, { casts, receives: this.fine })
    })
    for (const batch of drawn.batches) {
      if (this.inking === 'ink') batch.cover(this.paper)
      batch.draw(this.share, 1, this.inking !== 'plain', 1)
      group.add(batch.root)
    }
    group.updateMatrixWorld(true)
    drawn.update = update
  }

  private partFor(part: Part, guise: Batch, ghost: boolean, source: PartSource): DrawnPart | undefined {
    const key = `${part.id} ${guiseKey(guise)} ${ghost}`
    const look = { fine: this.fine, ghost }
    const made = drawnPart(part, guise, source, this.parts.get(key), look, this.pictureRead)
    if (made) this.parts.set(key, made)
    return made
  }

  private clear(drawn: DrawnPattern): void {
    for (const batch of drawn.batches) {
      drawn.group.remove(batch.root)
      batch.dispose()
    }
    if (this.hatched?.parent === drawn.group) this.dropHatched()
    drawn.batches = []
    drawn.box = drawn.update = undefined
  }

  /** What is drawn of the patterns that are shown. */
  private *drawn(shownOnly = false): Generator<DrawnBatch> {
    for (const { group, batches } of this.patterns.values()) if (group.visible || !shownOnly) yield* batches
  }

  /** Chooses how each copy is drawn as it is seen; tells how much work all that are to be drawn are, in triangles and lines. */
  look(seen: Seen): number {
    this.ink.uniforms.height.value = seen.height
    let work = 0
    for (const batch of this.drawn(true)) work += batch.look(seen)
    return work * this.share
  }

  /**
   * Draws a share of what is to be drawn.
   *
   * @param share of the copies of a crowd that are to be drawn, spread over all of them
   * @param shadowed of them, how many cast a shadow
   */
  draw(share: number, inked: boolean, shadowed: number): void {
    const inks = inked && this.inking !== 'plain'
    for (const batch of this.drawn(true)) batch.draw(this.share, share, inks, shadowed)
  }

  /** Whether there are so many of something that fewer can be drawn for a moment. */
  get isCrowd(): boolean {
    return [...this.drawn(true)].some((batch) => batch.isCrowd)
  }

  /** All that is drawn, chunk by chunk, the nearest first; see `DrawnBatch.rest`. */
  rest(): { readonly work: number; take(): void; leave(): void }[] {
    return [...this.drawn(true)].flatMap((batch) => [...batch.rest(this.share)]).sort((a, b) => a.depth - b.depth)
  }

  /**
   * Draws with ink edges, without them, or as ink alone.
   *
   * @param colors of the ink, and of the paper that it stands on
   */
  setInking(inking: Inking, colors: { readonly ink: string; readonly stage: string }): void {
    this.inking = inking
    // Also where a picture is completed.
    this.ink.visible = inking !== 'plain'
    this.ink.uniforms.strength.value = inking === 'ink' ? 0.8 : STRENGTH
    this.ink.uniforms.least.value = inking === 'ink' ? 0.2 : 0
    this.ink.uniforms.color.value.set(colors.ink)
    this.paper.color.set(colors.stage)
    for (const batch of this.drawn()) {
      batch.cover(inking === 'ink' ? this.paper : undefined)
      batch.draw(this.share, 1, inking !== 'plain', 1)
    }
  }

  /** Hatches the copies that overlap. */
  hatch(patternId: string | undefined, overlaps: readonly { first: number; second: number }[], color: string): void {
    this.dropHatched()
    const drawn = patternId === undefined ? undefined : this.patterns.get(patternId)
    if (!drawn || overlaps.length === 0) return
    this.hatching.uniforms.color.value.set(color)
    const rows = new Set(overlaps.flatMap(({ first, second }) => [first, second]))
    this.hatched = new THREE.Group()
    for (const { batch, part } of drawn.batches) {
      const chosen = Array.from(batch.rows.keys()).filter((at) => rows.has(batch.rows[at]))
      if (chosen.length === 0) continue
      const placed = new Float32Array(PLACED * chosen.length)
      chosen.forEach((at, n) => placed.set(batch.placed.subarray(PLACED * at, PLACED * (at + 1)), PLACED * n))
      const mesh = new THREE.Mesh(placedGeometry(part.drawing.surface, placedBuffer(placed)), this.hatching)
      mesh.frustumCulled = false
      this.hatched.add(mesh)
    }
    drawn.group.add(this.hatched)
  }

  private dropHatched(): void {
    this.hatched?.parent?.remove(this.hatched)
    for (const mesh of this.hatched?.children ?? []) letGoOfPlaced((mesh as THREE.Mesh).geometry)
    this.hatched = undefined
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
    for (const { batch, part } of drawn?.batches ?? []) {
      const { ink } = part.drawing
      if (!ink) continue
      for (let at = 0; at < batch.rows.length && pieces.length < MOST_OUTLINED; at++) {
        if (!rows.has(batch.rows[at])) continue
        pieces.push(placedEdges(ink, matrixOf(batch.placed, at, matrix).premultiply(drawn!.group.matrixWorld)))
      }
    }
  }

  /** The box around picked copies of any patterns. */
  boxOf(picked: ReadonlyMap<string, ReadonlySet<number>>): THREE.Box3 {
    const box = new THREE.Box3()
    for (const [id, rows] of picked) {
      const drawn = this.patterns.get(id)
      if (drawn?.group.visible) box.union(boxAbout(drawn, rows))
    }
    return box
  }

  /** The box around what is shown: everything, or one pattern. */
  box(patternId?: string): THREE.Box3 {
    const box = new THREE.Box3()
    for (const [id, drawn] of this.patterns)
      if (drawn.group.visible && (patternId === undefined || id === patternId))
        box.union((drawn.box ??= boxAbout(drawn)))
    return box
  }

  /**
   * Visits the boxes about all copies that are shown, for picking them by an outline on the screen.
   *
   * @param visit the eight corners in the world: 24 numbers, of the next copy when the next one is visited
   */
  eachBox(visit: (patternId: string, row: number, corners: Float64Array) => void): void {
    const corners = new Float64Array(24)
    for (const [patternId, { group, batches }] of this.patterns) {
      if (!group.visible) continue
      for (const { batch, part } of batches) {
        const own = ownBox(part.drawing.surface)
        for (let k = 0; k < batch.rows.length; k++) {
          if (!isDrawn(k, batch.rows.length, this.share)) continue
          cornersOf(own, matrixOf(batch.placed, k, matrix).premultiply(group.matrixWorld), corners)
          visit(patternId, batch.rows[k], corners)
        }
      }
    }
  }

  /**
   * The nearest copy that a ray in the world meets.
   *
   * @param except copies that are passed through
   */
  pick(ray: THREE.Ray, except: (patternId: string, row: number) => boolean = () => false): Hit | undefined {
    let best: Hit | undefined
    for (const [patternId, drawn] of this.patterns) {
      const { group, batches } = drawn
      if (!group.visible) continue
      const passed = (row: number): boolean => except(patternId, row)
      const met = metBy(ray, batches, group.matrixWorld, this.share, passed, best?.distance ?? Infinity)
      if (!met) continue
      const { row, distance, normal } = met
      const edges = (): Float32Array => placedEdges(met.batch.part.drawing.ink, met.matrix)
      const middle = (): THREE.Vector3 | undefined => {
        const own = met.batch.part.drawing.middleOf(met.triangle)
        return own && new THREE.Vector3(...own).applyMatrix4(met.matrix)
      }
      best = { patternId, row, distance, part: met.batch.batch.part, matrix: met.matrix, normal, edges, middle }
    }
    return best
  }

  dispose(): void {
    for (const drawn of this.patterns.values()) this.clear(drawn)
    for (const part of this.parts.values()) letGoOfPart(part)
    this.ink.dispose()
    this.paper.dispose()
    this.hatching.dispose()
  }
}

const matrix = new THREE.Matrix4()

/** The box in the world about copies of a pattern, of some rows or of all. */
function boxAbout({ group, batches }: DrawnPattern, rows?: ReadonlySet<number>): THREE.Box3 {
  const one = new Float32Array(PLACED)
  const corners = new Float64Array(6)
  const all = [Infinity, Infinity, Infinity, -Infinity, -Infinity, -Infinity]
  const isTurned = group.quaternion.w !== 1
  for (const { batch, part } of batches) {
    const own = ownBox(part.drawing.surface)
    for (let k = 0; k < batch.rows.length; k++) {
      if (rows && !rows.has(batch.rows[k])) continue
      if (isTurned) {
        for (let i = 0; i < PLACED; i++) one[i] = batch.placed[PLACED * k + i]
        point.fromArray(one).applyQuaternion(group.quaternion).toArray(one)
        turn.fromArray(one, 3).premultiply(group.quaternion).toArray(one, 3)
      }
      boxOfPlaced(own, isTurned ? one : batch.placed, isTurned ? 0 : k, corners, 0)
      for (let i = 0; i < 3; i++) {
        if (corners[i] < all[i]) all[i] = corners[i]
        if (corners[i + 3] > all[i + 3]) all[i + 3] = corners[i + 3]
      }
    }
  }
  const [low, high] = [new THREE.Vector3().fromArray(all), new THREE.Vector3().fromArray(all, 3)]
  return new THREE.Box3(low, high).translate(group.position)
}

const [point, turn] = [new THREE.Vector3(), new THREE.Quaternion()]

function placedEdges(ink: Float32Array | undefined, at: THREE.Matrix4): Float32Array {
  const out = (ink ?? new Float32Array()).slice()
  for (let k = 0; k < out.length; k += 3) point.fromArray(out, k).applyMatrix4(at).toArray(out, k)
  return out
}
