import { type Node, WebIO } from '@gltf-transform/core'
import { EXTMeshGPUInstancing, KHRLightsPunctual } from '@gltf-transform/extensions'
import { Evaluator, framesIn, type PatternOutcome } from '../../evaluate'
import { type InstanceTable } from '../../instances'
import { joinSeams } from './seams'
import type { Pattern } from '../../model/pattern'
import type { Project } from '../../model/project'
import type { Vec3 } from '../../values/values'
import { guiseKeyOf, guiseOfKey } from '../../parts/guise'
import type { MeshLibrary, PartSource } from '../../parts/partMesh'
import { type Quaternion, fromTurns } from '../../geometry/rotation'
import { type Result, done } from '../../words'
import { nameOfGuise, writtenMesh } from '../../parts/written'
import { GlbDocument } from './document'
import { type CopyStyle, type ExportReport, forecastGlb } from './forecast'

export interface WrittenGlb {
  readonly bytes: Uint8Array
  readonly report: ExportReport
}

/**
 * Writes a project as binary glTF 2.0: every part once as a mesh, its copies under a node for their pattern. Linked, each
 * copy is a node that uses the mesh, exact to the double; instanced (EXT_mesh_gpu_instancing), the copies of one part in
 * one pattern are a table of 32-bit floats. Empty places and hidden patterns are left out and counted.
 *
 * Where seams are to go, copies that touch on a mirror plane become one mesh, whatever the style (see `joinSeams`).
 *
 * Curves are guides and stay out unless they are asked for; then they are written as lines.
 *
 * @example await writeGlb(project, new Map(), { style: 'linked' })
 */
export async function writeGlb(
  project: Project,
  meshes: MeshLibrary,
  { style, guides = false, seams = false, onProgress = () => {} }: GlbOptions,
): Promise<Result<WrittenGlb>> {
  const outcomes = new Evaluator().evaluate(project, meshes)
  const source: PartSource = { parts: project.parts, meshes }
  const frames = framesIn(outcomes)
  const plan = forecastGlb(
    project,
    outcomes,
    (guise) => writtenMesh(project.parts[guise.part], source, guise, frames),
    style,
  )
  if (!plan.ok) return plan
  const joined = seams ? joinSeams(project, outcomes, source, frames) : []
  const taken = new Set(joined.flatMap(({ copies }) => copies.map(({ pattern, row }) => `${pattern} ${row}`)))
  const writer = new GlbDocument(source, frames)
  const step = new Breather(plan.value.copies, onProgress)
  let rounding = 0
  for (const [i, pattern] of project.patterns.entries()) {
    if (pattern.hidden) continue
    const { expanded: table } = outcomes[i]
    const group = writer.document
      .createNode(pattern.name)
      .setTranslation(pattern.place.move)
      .setRotation([...fromTurns(pattern.place.turn)])
    const above = pattern.group === undefined ? undefined : writer.groupNode(pattern.group, project)
    if (above) above.addChild(group)
    else writer.scene.addChild(group)
    if (guides && pattern.layout.kind === 'path')
      group.addChild(writer.guide(`${pattern.name} curve`, pattern.layout.curve))
    const own = joined.filter(({ copies }) => copies[0].pattern === i)
    for (const [n, { mesh, look }] of own.entries()) {
      const name = `${pattern.name} joined ${n + 1}`
      group.addChild(writer.document.createNode(name).setMesh(writer.meshOf(name, mesh, look)))
    }
    const isLeft = (row: number): boolean => table.isPresent(row) && !taken.has(`${i} ${row}`)
    if (style === 'linked') await writeLinked(writer, group, project, pattern, { ...outcomes[i], isLeft, step })
    else rounding = Math.max(rounding, await writeInstanced(writer, group, project, { table, isLeft, step }))
  }
  const bytes = await new WebIO()
    .registerExtensions([EXTMeshGPUInstancing, KHRLightsPunctual])
    .writeBinary(writer.document)
  onProgress(1)
  const report = { ...plan.value, rounding, joinedCopies: taken.size, joinedMeshes: joined.length }
  return done({ bytes, report })
}

export interface GlbOptions {
  readonly style: CopyStyle
  /** Writes the curves of paths too, as strips of lines. */
  readonly guides?: boolean
  /** Joins copies that touch on a mirror plane, without the faces that they share there. */
  readonly seams?: boolean
  /** Called with the share done, from 0 to 1. */
  readonly onProgress?: (share: number) => void
}

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
  pattern: Pattern,
  { expanded: table, owner, isLeft, step }: Pick<PatternOutcome, 'expanded' | 'owner'> & Left,
): Promise<void> {
  const { position: p, quaternion: q, scale: s } = table
  const names = ownNames(pattern)
  for (let k = 0; k < table.count; k++) {
    if (!isLeft(k)) continue
    const part = project.parts[table.thing[k]]
    if (part.shape.kind === 'placeholder') continue
    const name = owner ? undefined : names?.get(table.slotLow[k])
    const key = guiseKeyOf(table, k)
    const node = writer
      .nodeOf(key, name ?? `${nameOfGuise(part, guiseOfKey(key))} ${k + 1}`)
      .setTranslation([p[3 * k], p[3 * k + 1], p[3 * k + 2]])
      .setRotation(writer.turnFor(part, [q[4 * k], q[4 * k + 1], q[4 * k + 2], q[4 * k + 3]]))
      .setScale([s[3 * k], s[3 * k + 1], s[3 * k + 2]])
    group.addChild(node)
    await step.took(1)
  }
}

/** The names of copies that stand on places of their own, by their slots. */
function ownNames({ layout }: Pattern): ReadonlyMap<number, string> | undefined {
  if (layout.kind !== 'spots') return undefined
  return new Map(layout.spots.flatMap(({ slot, name }) => (name ? [[slot, name] as const] : [])))
}

/** Returns the largest difference between a written position and the true one. */
async function writeInstanced(
  writer: GlbDocument,
  group: Node,
  project: Project,
  { table, isLeft, step }: { table: InstanceTable } & Left,
): Promise<number> {
  const rows = new Map<number, number[]>()
  for (let k = 0; k < table.count; k++) {
    if (!isLeft(k)) continue
    const key = guiseKeyOf(table, k)
    const list = rows.get(key)
    if (list) list.push(k)
    else rows.set(key, [k])
  }
  let rounding = 0
  for (const [key, list] of rows) {
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
    const part = project.parts[guiseOfKey(key).part]
    if (part.shape.kind === 'placeholder') continue
    // A light is a node: there is no such thing as an instanced one.
    if (part.shape.kind === 'light') {
      for (const k of list)
        group.addChild(
          writer
            .nodeOf(key, `${part.name} ${k + 1}`)
            .setTranslation([...table.position.subarray(3 * k, 3 * k + 3)] as Vec3)
            .setRotation(
              writer.turnFor(part, [...table.quaternion.subarray(4 * k, 4 * k + 4)] as unknown as Quaternion),
            ),
        )
      continue
    }
    group.addChild(writer.instances(key, translation, pick(table.quaternion, 4), pick(table.scale, 3)))
    await step.took(list.length)
  }
  return rounding
}
