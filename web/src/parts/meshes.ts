import { meshKey, type MeshShape } from '@hilera/core/model/part'
import type { Project } from '@hilera/core/model/project'
import { filesOf } from '@hilera/core/model/references'
import { pictureKey } from '@hilera/core/parts/partMesh'
import { pictureMesh } from '@hilera/core/parts/pictureMesh'
import { PGM } from '@hilera/core/pictures/pgm'
import { api } from '../api/client'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'

/** A list in groups whose key is the same. */
function groupedBy<T>(list: readonly T[], key: (item: T) => string): T[][] {
  const groups = new Map<string, T[]>()
  for (const item of list) groups.set(key(item), [...(groups.get(key(item)) ?? []), item])
  return [...groups.values()]
}

/** Fetches and reads the files that the document names. */
export function useMeshes() {
  const document = useDocument()
  const outcomes = useOutcomes()

  /** Of the document, or of another state of it: meshes, each file once, and the pictures on parts and in variations. */
  async function readAll(project: Project = document.project): Promise<void> {
    const { parts, patterns, grounds, plans } = project
    const missing = parts.flatMap(({ shape }) =>
      shape.kind === 'mesh' && !document.meshes.has(meshKey(shape)) ? [shape] : [],
    )
    for (const shapes of groupedBy(missing, ({ file, unit, mesh }) => `${file} ${unit} ${mesh === undefined}`))
      await readMesh(shapes[0])
    for (const { look } of parts) if (look.picture) await readPicture(look.picture.file, look.picture.mime)
    // What a pattern names by file are pictures that drive a variation: of grey values.
    // What grounds name gives heights.
    for (const thing of [...patterns, ...grounds]) for (const { file } of filesOf(thing)) await readPicture(file, PGM)
    for (const { file, mime } of plans) await readPicture(file, mime)
  }

  async function readMesh({ file, fileName, unit, mesh }: MeshShape): Promise<void> {
    const bytes = await api.readFile(file)
    if (mesh === undefined) {
      const read = await outcomes.readFile(bytes, fileName, unit)
      if (read.ok) await outcomes.addMesh(meshKey({ file, unit }), read.value.mesh)
      return
    }
    const scene = await outcomes.readScene(bytes, fileName, unit)
    if (!scene.ok) return
    const all = scene.value.meshes.flatMap((m, i) =>
      m ? [[meshKey({ file, unit, mesh: i }), m.read.mesh] as const] : [],
    )
    await outcomes.addMeshes(new Map(all))
  }

  async function readPicture(file: string, mime: string): Promise<void> {
    if (document.meshes.has(pictureKey(file))) return
    await outcomes.addMesh(pictureKey(file), pictureMesh(await api.readFile(file), mime))
  }

  return { readAll }
}
