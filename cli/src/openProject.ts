import type { Mesh } from '@hilera/core/geometry/mesh'
import { meshKey } from '@hilera/core/model/part'
import type { Project } from '@hilera/core/model/project'
import { filesNamed } from '@hilera/core/model/references'
import { type MeshLibrary, pictureKey } from '@hilera/core/parts/partMesh'
import { pictureMesh } from '@hilera/core/parts/pictureMesh'
import { PGM, readPgm } from '@hilera/core/pictures/pgm'
import { readProjectFile } from '@hilera/core/projectFile/hilera'
import { readPartFile } from '@hilera/core/readers/partFile'
import { readScene } from '@hilera/core/readers/scene'
import { readFile } from 'node:fs/promises'
import { basename } from 'node:path'
import { Refused } from './arguments'

/** A project read from its file, with the meshes that it names. */
export async function openProject(from: string): Promise<{ project: Project; meshes: MeshLibrary }> {
  const bytes = await readFile(from).catch(() => {
    throw new Refused(`${from} cannot be read. Check its name.`)
  })
  const opened = await readProjectFile(bytes, basename(from))
  if (!opened.ok) throw new Refused(opened.problem.says)
  const { project, files } = opened.value
  return { project, meshes: await meshesOf(project, files) }
}

/** Reads the mesh files that a project names, each once, and the pictures on its parts. */
async function meshesOf(project: Project, files: ReadonlyMap<string, Uint8Array>): Promise<MeshLibrary> {
  const meshes = new Map<string, Mesh>()
  for (const pattern of project.patterns)
    for (const file of filesNamed(pattern)) {
      const bytes = files.get(file)!
      // What goes by it would silently go by nothing.
      const picture = readPgm(bytes, `The picture of ${pattern.name}`)
      if (!picture.ok) throw new Refused(picture.problem.says)
      meshes.set(pictureKey(file), pictureMesh(bytes, PGM))
    }
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
