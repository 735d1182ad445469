import type { Node } from '@gltf-transform/core'
import { EXTMeshGPUInstancing, KHRLightsPunctual } from '@gltf-transform/extensions'
import type { PatternOutcome } from '../../evaluate'
import { groundSourceOf } from '../../evaluation/resting'
import { fromTurns } from '../../geometry/rotation'
import { surfaceOf } from '../../grounds/index'
import type { InstanceTable } from '../../instances'
import { definitionOf } from '../../layouts/index'
import type { Look } from '../../model/part'
import type { Pattern } from '../../model/pattern'
import type { Project } from '../../model/project'
import { Moments, reachedIn } from '../../motion/moments'
import { type PieceInTime, piecesInTime } from '../../motion/pictureTracks'
import { type Moving, Playing } from '../../motion/playing'
import { type Guise, guiseNumber, guiseOf } from '../../parts/guise'
import type { PartSource } from '../../parts/partMesh'
import { nameOfGuise } from '../../parts/written'
import { type Result, done } from '../../words'
import type { Forecast } from '../definition'
import type { WorkedScene } from '../scene'
import { GlbAnimation, isIdle, needsTwo, trackOfPiece } from './animation'
import { GlbDocument } from './document'
import { ExactIO } from './exactIo'
import { forecastGlb } from './forecast'
import { joinSeams } from './seams'
import type { CopyStyle } from './size'

export interface GlbOptions {
  readonly style: CopyStyle
  /** Writes the curves of paths too, as strips of lines. */
  readonly guides?: boolean
  /** Writes the grounds that are shown too, as they are drawn. */
  readonly grounds?: boolean
  /** Joins copies that touch on a mirror plane, without the faces that they share there. */
  readonly seams?: boolean
  /** Writes how copies move too, as an animation; those that move are linked nodes, whatever the style. */
  readonly motion?: boolean
  /** Called with the share done, from 0 to 1. */
  readonly onProgress?: (share: number) => void
}

/** What came of writing a GLB. */
export interface GlbReport extends Forecast {
  readonly style: CopyStyle
  /** By how much a written position differs from the true one at the most, in metres; 0 for linked copies. */
  readonly rounding: number
  /** Copies that were joined with what they touch on a mirror plane, and the meshes that came of them. */
  readonly joinedCopies: number
  readonly joinedMeshes: number
  /** The keys of the animation; 0 where none was written. */
  readonly keys: number
}

export interface WrittenGlb {
  readonly bytes: Uint8Array
  readonly report: GlbReport
}

/**
 * Writes a project as binary glTF: every part once as a mesh, its copies under a node for their pattern. Linked, each
 * copy is a node that uses the mesh, exact to the double; instanced (EXT_mesh_gpu_instancing), the copies of one part in
 * one pattern are a table of 32-bit floats. Empty places and hidden patterns are left out and counted.
 *
 * Where seams are to go, copies that touch on a mirror plane become one mesh, whatever the style (see `joinSeams`).
 *
 * Curves are guides and stay out unless they are asked for; then they are written as lines. So do grounds, written as surfaces.
 *
 * @example await writeGlb(workedScene(project, new Map()), { style: 'linked' })
 */
export async function writeGlb(
  scene: WorkedScene,
  { style, guides = false, grounds = false, seams = false, motion = false, onProgress = () => {} }: GlbOptions,
): Promise<Result<WrittenGlb>> {
  const { project, outcomes, source } = scene
  const plan = forecastGlb(scene, style, motion)
  if (!plan.ok) return plan
  // Where numbers change in time, what touches at rest does not stay together.
  const changing = motion ? reachedIn(project) : new Set<string>()
  const joined = (seams ? joinSeams(project, outcomes, source) : []).filter(({ copies }) =>
    copies.every(({ pattern }) => !changing.has(project.patterns[pattern].id)),
  )
  const taken = new Set(joined.flatMap(({ copies }) => copies.map(({ pattern, row }) => `${pattern} ${row}`)))
  const writer = new GlbDocument(source)
  const step = new Breather(plan.value.copies, onProgress)
  const playing = motion ? new Playing(project, outcomes) : undefined
  const inTime = motion ? await followed(scene, onProgress) : undefined
  const animation = playing?.moves ? new GlbAnimation(writer) : undefined
  let rounding = 0
  for (const [i, pattern] of project.patterns.entries()) {
    if (pattern.hidden) continue
    const { expanded: table, frames } = outcomes[i]
    const group = writer.document
      .createNode(pattern.name)
      .setTranslation(pattern.place.move)
      .setRotation([...fromTurns(pattern.place.turn)])
    const above = pattern.group === undefined ? undefined : writer.groupNode(pattern.group, project)
    if (above) above.addChild(group)
    else writer.scene.addChild(group)
    const guide = guides ? definitionOf(pattern.layout).guide?.(pattern.layout) : undefined
    if (guide) group.addChild(writer.guide(`${pattern.name} curve`, guide))
    const own = joined.filter(({ copies }) => copies[0].pattern === i)
    for (const [n, { mesh, look }] of own.entries()) {
      const name = `${pattern.name} joined ${n + 1}`
      group.addChild(writer.document.createNode(name).setMesh(writer.meshOf(name, mesh, look)))
    }
    const isLeft = (row: number): boolean => table.isPresent(row) && !taken.has(`${i} ${row}`)
    const moving = animation && playing?.of(pattern.id)
    const pieces = inTime?.get(pattern.id)
    if (animation && pieces) writeInTime(writer, group, project, animation, pieces, frames)
    else if (moving) await writeMoving(writer, group, project, animation, { ...outcomes[i], moving, isLeft, step })
    else if (style === 'linked') await writeLinked(writer, group, project, pattern, { ...outcomes[i], isLeft, step })
    else rounding = Math.max(rounding, await writeInstanced(writer, group, project, { table, frames, isLeft, step }))
  }
  if (grounds) writeGrounds(writer, project, source)
  const bytes = await new ExactIO(writer.copies)
    .registerExtensions([EXTMeshGPUInstancing, KHRLightsPunctual])
    .writeBinary(writer.document)
  onProgress(1)
  const report = {
    ...plan.value,
    style,
    bytes: bytes.length,
    rounding,
    joinedCopies: taken.size,
    joinedMeshes: joined.length,
    keys: animation?.keys ?? 0,
  }
  return done({ bytes, report })
}

function writeGrounds(writer: GlbDocument, { grounds }: Project, source: PartSource): void {
  const from = groundSourceOf(source)
  for (const { name, shape, move, turn, hidden } of grounds) {
    const surface = hidden ? undefined : surfaceOf(shape, from)
    if (!surface) continue
    writer.scene.addChild(
      writer.document
        .createNode(name)
        .setTranslation(move)
        .setRotation([...fromTurns([0, turn, 0])])
        .setMesh(writer.meshOf(name, surface.mesh(), GROUND_LOOK)),
    )
  }
}
const GROUND_LOOK: Look = { color: '#e4dac4', roughness: 0.95, metal: 0 }

/** Lets messages through now and then, so that progress is seen and work can be stopped. */
class Breather {
  private done = 0

  constructor(
    private readonly all: number,
    private readonly onProgress: (share: number) => void,
  ) {}

  async took(copies: number): Promise<void> {
    const before = this.done
    this.done += copies
    if (Math.floor(before / 2000) === Math.floor(this.done / 2000)) return
    this.onProgress((0.9 * this.done) / this.all)
    await new Promise((resolve) => setTimeout(resolve))
  }
}

/** Which rows are left to be written by themselves, and what is told of each. */
interface Left {
  readonly isLeft: (row: number) => boolean
  readonly step: Breather
}

async function writeLinked(
  writer: GlbDocument,
  group: Node,
  project: Project,
  { layout }: Pattern,
  { expanded: table, owner, frames, isLeft, step }: Pick<PatternOutcome, 'expanded' | 'owner' | 'frames'> & Left,
): Promise<void> {
  const names = owner ? undefined : definitionOf(layout).names?.(layout)
  const guises = new Map<number, Guise>()
  for (let k = 0; k < table.count; k++) {
    if (!isLeft(k)) continue
    const part = project.parts[table.thing[k]]
    if (part.shape.kind === 'placeholder') continue
    const number = guiseNumber(table, k)
    const guise = guises.get(number) ?? guiseOf(number, frames)
    guises.set(number, guise)
    const name = names?.get(table.keyOf(k)) ?? `${nameOfGuise(part, guise)} ${k + 1}`
    writer.addCopy(group, guise, name, table.placingOf(k))
    await step.took(1)
  }
}

/** How the pieces of patterns whose numbers change go, picture by picture; undefined where none does. */
async function followed(
  { project, source }: WorkedScene,
  onProgress: (share: number) => void,
): Promise<Map<string, PieceInTime[]> | undefined> {
  const ids = reachedIn(project)
  if (ids.size === 0) return undefined
  const shown = project.patterns.filter(({ id, hidden }) => ids.has(id) && !hidden)
  await new Promise((resolve) => setTimeout(resolve))
  return piecesInTime(new Moments(project, source.meshes), project.clock, shown, guiseNumber, (share) =>
    onProgress(0.5 * share),
  )
}

/** Every piece that is there at any picture is a node, shown while it is there. */
function writeInTime(
  writer: GlbDocument,
  group: Node,
  project: Project,
  animation: GlbAnimation,
  pieces: readonly PieceInTime[],
  frames: PatternOutcome['frames'],
): void {
  for (const [n, { guise: number, thing, track }] of pieces.entries()) {
    const part = project.parts[thing]
    if (part.shape.kind === 'placeholder') continue
    const guise = guiseOf(number, frames)
    const name = `${nameOfGuise(part, guise)} ${n + 1}`
    const inner = writer.nodeOf(guise, name)
    const outer = needsTwo(track) ? writer.document.createNode(name).addChild(inner) : inner
    const [{ move, turn, size }] = track.placings
    outer.setTranslation(move).setRotation(writer.turnFor(part, turn)).setScale(size)
    if (!isIdle(track)) animation.move(outer, inner, track, (by) => writer.turnFor(part, by))
    group.addChild(outer)
  }
}

/** Copies that move are nodes of their own, whether or not others are. */
async function writeMoving(
  writer: GlbDocument,
  group: Node,
  project: Project,
  animation: GlbAnimation,
  {
    table: own,
    expanded,
    owner,
    frames,
    moving,
    isLeft,
    step,
  }: Pick<PatternOutcome, 'table' | 'expanded' | 'owner' | 'frames'> & Left & { readonly moving: Moving },
): Promise<void> {
  for (let k = 0; k < expanded.count; k++) {
    if (!isLeft(k)) continue
    const part = project.parts[expanded.thing[k]]
    if (part.shape.kind === 'placeholder') continue
    const guise = guiseOf(guiseNumber(expanded, k), frames)
    const rest = expanded.placingOf(k)
    const name = `${nameOfGuise(part, guise)} ${k + 1}`
    const track = trackOfPiece(moving, project.clock.length, own, owner?.[k] ?? k, rest)
    const inner = writer.nodeOf(guise, name)
    const outer = track && needsTwo(track) ? writer.document.createNode(name).addChild(inner) : inner
    outer.setTranslation(rest.move).setRotation(writer.turnFor(part, rest.turn)).setScale(rest.size)
    if (track) animation.move(outer, inner, track, (turn) => writer.turnFor(part, turn))
    group.addChild(outer)
    await step.took(1)
  }
}

/** Returns the largest difference between a written position and the true one. */
async function writeInstanced(
  writer: GlbDocument,
  group: Node,
  project: Project,
  { table, frames, isLeft, step }: { table: InstanceTable; frames: PatternOutcome['frames'] } & Left,
): Promise<number> {
  const rows = new Map<number, number[]>()
  for (let k = 0; k < table.count; k++) {
    if (!isLeft(k)) continue
    const key = guiseNumber(table, k)
    const list = rows.get(key)
    if (list) list.push(k)
    else rows.set(key, [k])
  }
  let rounding = 0
  for (const [number, list] of rows) {
    const guise = guiseOf(number, frames)
    const pick = (values: Float64Array, width: number): Float32Array => {
      const out = new Float32Array(width * list.length)
      for (const [i, k] of list.entries()) for (let c = 0; c < width; c++) out[width * i + c] = values[width * k + c]
      return out
    }
    const translation = pick(table.position, 3)
    for (const [i, k] of list.entries()) {
      for (let c = 0; c < 3; c++)
        rounding = Math.max(rounding, Math.abs(translation[3 * i + c] - table.position[3 * k + c]))
    }
    const part = project.parts[guise.part]
    if (part.shape.kind === 'placeholder') continue
    // A light is a node: there is no such thing as an instanced one.
    if (part.shape.kind === 'light') {
      for (const k of list) writer.addCopy(group, guise, `${part.name} ${k + 1}`, table.placingOf(k))
      continue
    }
    group.addChild(writer.instances(guise, translation, pick(table.quaternion, 4), pick(table.scale, 3)))
    await step.took(list.length)
  }
  return rounding
}
