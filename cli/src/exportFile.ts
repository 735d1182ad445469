import { workedScene } from '@hilera/core/writers/scene'
import { writerFor } from '@hilera/core/writers/index'
import { filesNamed } from '@hilera/core/model/references'
import { readProjectFile } from '@hilera/core/projectFile/hilera'
import { PGM } from '@hilera/core/pictures/pgm'
import { type MeshLibrary, pictureKey } from '@hilera/core/parts/partMesh'
import { pictureMesh } from '@hilera/core/parts/pictureMesh'
import { readScene } from '@hilera/core/readers/scene'
import { readPartFile } from '@hilera/core/readers/partFile'
import { meshKey } from '@hilera/core/model/part'
import type { Project } from '@hilera/core/model/project'
import type { Mesh } from '@hilera/core/geometry/mesh'
import { readFile } from 'node:fs/promises'
import { basename } from 'node:path'
import { read, Refused } from './arguments'
import { writeWhole } from './writeWhole'

export const exportUsage = `  hilera export FILE.hilera OUT.glb [--instancing] [--json]
    Writes a project as binary glTF, its copies as linked nodes or, smaller, as instances.`

export async function exportFile(args: string[]): Promise<string> {
  const { values, positionals } = read({
    args,
    allowPositionals: true,
    options: { instancing: { type: 'boolean' }, json: { type: 'boolean' } },
  })
  const [from, to, ...more] = positionals
  if (!from || !to || more.length > 0)
    throw new Refused('Give the project and the file to write: hilera export FILE.hilera OUT.glb')
  const bytes = await readFile(from).catch(() => {
    throw new Refused(`${from} cannot be read. Check its name.`)
  })
  const opened = await readProjectFile(bytes, basename(from))
  if (!opened.ok) throw new Refused(opened.problem.says)
  const { project, files } = opened.value
  const writer = writerFor(to)
  if (!writer.ok) throw new Refused(writer.problem.says)
  const scene = workedScene(project, await meshesOf(project, files))
  const written = await writer.value.write(scene, { style: values.instancing ? 'instanced' : 'linked' })
  if (!written.ok) throw new Refused(written.problem.says)
  await writeWhole(to, written.value.bytes)
  const { report } = written.value
  if (values.json) return JSON.stringify(report)
  return `${to}: ${report.copies} copies of ${report.meshes} meshes, ${report.bytes} bytes.`
}

/** Reads the mesh files that a project names, each once, and the pictures on its parts. */
async function meshesOf(project: Project, files: ReadonlyMap<string, Uint8Array>): Promise<MeshLibrary> {
  const meshes = new Map<string, Mesh>()
  for (const file of project.patterns.flatMap((pattern) => [...filesNamed(pattern)]))
    meshes.set(pictureKey(file), pictureMesh(files.get(file)!, PGM))
  for (const { shape, look } of project.parts) {
    if (look.picture) {
      const { file, mime } = look.picture
      meshes.set(pictureKey(file), pictureMesh(files.get(file)!, mime))
    }
    if (shape.kind !== 'mesh' || meshes.has(meshKey(shape))) continue
    const { file, fileName, unit } = shape
    if (shape.mesh === undefined) {
      const read = await readPartFile(files.get(file)!, fileName, unit)
      if (!read.ok) throw new Refused(read.problem.says)
      meshes.set(meshKey(shape), read.value.mesh)
      continue
    }
    const scene = await readScene(files.get(file)!, fileName, unit)
    if (!scene.ok) throw new Refused(scene.problem.says)
    for (const [mesh, made] of scene.value.meshes.entries())
      if (made) meshes.set(meshKey({ file, unit, mesh }), made.read.mesh)
  }
  return meshes
}
