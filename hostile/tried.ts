import { readFont, textRuns } from '@hilera/core/curves/text'
import { readSvg } from '@hilera/core/curves/svgFile'
import { partsOfScene } from '@hilera/core/scenes/sceneParts'
import { emptyProject } from '@hilera/core/model/project'
import { Evaluator } from '@hilera/core/evaluate'
import type { Mesh } from '@hilera/core/geometry/mesh'
import { meshKey } from '@hilera/core/model/part'
import type { MeshLibrary } from '@hilera/core/parts/partMesh'
import { readPgm } from '@hilera/core/pictures/pgm'
import { readProjectFile } from '@hilera/core/projectFile/hilera'
import { readPartFile } from '@hilera/core/readers/partFile'
import { readScene } from '@hilera/core/readers/scene'
import type { BezierRun } from '@hilera/core/values/curve'
import type { Result } from '@hilera/core/words'
import { workedScene } from '@hilera/core/writers/scene'
import { writeGlb } from '@hilera/core/writers/glb/write'
import { validateBytes } from 'gltf-validator'
import { WebIO } from '@gltf-transform/core'
import { EXTMeshGPUInstancing, KHRLightsPunctual } from '@gltf-transform/extensions'
import type { HostileFile } from './case'

/** What came of a file: a sentence, a thing, or a thing that is none. */
export type Came =
  | { readonly as: 'refused'; readonly says: string }
  | { readonly as: 'read' }
  | { readonly as: 'invalid'; readonly why: string }

/** Files of up to so many bytes are put before the validator of Khronos. */
const JUDGED = 2_000_000
interface Judged {
  readonly issues: { readonly messages: readonly { severity: number; message: string; pointer?: string }[] }
}

const invalid = (why: string): Came => ({ as: 'invalid', why })
const read: Came = { as: 'read' }
const finite = (list: Iterable<number>): boolean => {
  for (const n of list) if (!Number.isFinite(n)) return false
  return true
}

/** Does with a file what the program would do with it; a function where what was written is still to be judged, which is not its work. */
export async function tried({ name, bytes }: HostileFile): Promise<Came | (() => Promise<Came>)> {
  const ending = /\.(\w+)$/.exec(name)?.[1].toLowerCase()
  switch (ending) {
    case 'svg':
      return runsCame(readSvg(new TextDecoder().decode(bytes), name))
    case 'ttf':
    case 'woff': {
      const font = readFont(bytes, name)
      return font.ok ? runsCame(textRuns(font.value, 'Hilera 9', 0.1)) : said(font)
    }
    case 'pgm': {
      const picture = readPgm(bytes, name)
      return picture.ok ? read : said(picture)
    }
    case 'hilera':
      return projectCame(bytes, name)
    default: {
      const part = await readPartFile(bytes, name)
      if (part.ok && !isWhole(part.value.mesh)) return invalid('a part that is not finite')
      if (!/gl(b|tf)$/.test(ending ?? '')) return part.ok ? read : said(part)
      return sceneCame(bytes, name)
    }
  }
}

const said = (result: Result<unknown>): Came =>
  result.ok
    ? read
    : {
        as: 'refused',
        says: result.problem.says.map((s) => (typeof s === 'string' ? s : Object.values(s)[0])).join(''),
      }

function runsCame(result: Result<BezierRun[]>): Came {
  if (!result.ok) return said(result)
  for (const { start, pieces } of result.value)
    if (!finite(start) || !pieces.every((piece) => piece.every(finite))) return invalid('outlines that are not finite')
  return read
}

const isWhole = ({ positions, normals, indices, uvs }: Mesh): boolean => {
  for (const v of indices) if (3 * v + 2 >= positions.length) return false
  return finite(positions) && finite(normals) && (uvs === undefined || finite(uvs))
}

async function sceneCame(bytes: Uint8Array, name: string): Promise<Came> {
  const scene = await readScene(bytes, name)
  if (!scene.ok) return said(scene)
  for (const { move, turn, size } of scene.value.things)
    if (![move, turn, size].every(finite)) return invalid('a thing that stands nowhere')
  let made = 0
  const before = emptyProject('Scene')
  const file = { sha256: '0'.repeat(64), name }
  const taken = partsOfScene(scene.value, file, (kind) => `${kind}-${++made}`, before)
  if (!taken.ok) return said(taken)
  for (const mesh of scene.value.meshes)
    if (mesh && !isWhole(mesh.read.mesh)) return invalid('a mesh that is not finite')
  return read
}

/** A project is opened, worked out and written; what is written is read by another hand. */
async function projectCame(bytes: Uint8Array, name: string): Promise<Came | (() => Promise<Came>)> {
  const opened = await readProjectFile(bytes, name)
  if (!opened.ok) return said(opened)
  const { project, files } = opened.value
  const meshes = new Map<string, Mesh>()
  for (const { shape } of project.parts)
    if (shape.kind === 'mesh' && shape.mesh === undefined) {
      const made = await readPartFile(files.get(shape.file)!, shape.fileName, shape.unit)
      if (!made.ok) return said(made)
      meshes.set(meshKey(shape), made.value.mesh)
    }
  const outcomes = new Evaluator().evaluate(project, meshes as MeshLibrary)
  for (const { table, problem } of outcomes) {
    if (problem) continue
    const rows = table.count
    if (
      ![
        table.position.subarray(0, 3 * rows),
        table.quaternion.subarray(0, 4 * rows),
        table.scale.subarray(0, 3 * rows),
      ].every(finite)
    )
      return invalid('copies that stand nowhere')
  }
  const written = await writeGlb(workedScene(project, meshes), { style: 'linked' })
  if (!written.ok) return said(written)
  return () => judged(written.value.bytes)
}

async function judged(out: Uint8Array): Promise<Came> {
  if (out.length < JUDGED) {
    const { issues } = (await validateBytes(out, { maxIssues: 5 })) as unknown as Judged
    const [fault] = issues.messages.filter(({ severity }) => severity === 0)
    if (fault) return invalid(`a file that the validator refuses: ${fault.message} at ${fault.pointer ?? ''}`)
  }
  const back = await new WebIO().registerExtensions([EXTMeshGPUInstancing, KHRLightsPunctual]).readBinary(out)
  for (const node of back.getRoot().listNodes())
    if (![node.getTranslation(), node.getRotation(), node.getScale()].every(finite))
      return invalid('a file with a node that is not finite')
  for (const accessor of back.getRoot().listAccessors())
    if (!finite(accessor.getArray() ?? [])) return invalid('a file with numbers that are not finite')
  return read
}
