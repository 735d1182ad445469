import { notReadHere, readerFor } from '@hilera/core/readers/partFile'
import { MAX_PART_FILE_BYTES } from '@hilera/core/readers/readMesh'
import { type FileUnit, meshKey, type MeshShape, type Part } from '@hilera/core/model/part'
import { extentOf } from '@hilera/core/parts/pieces'
import { sentenceText } from '@hilera/core/numbers/format'
import { ref } from 'vue'
import { saidBy } from '../faults'
import { useRefusal } from '../shell/refusal'
import { api } from '../api/client'
import { keepBefore } from '../versions/keepBefore'
import { sha256Of } from '@hilera/core/sha256'
import { useDocument } from '../stores/document'
import { partsOfScene } from '@hilera/core/scenes/sceneParts'
import { newId } from '../names'
import { useArrivals } from '../stores/arrivals'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'
import { usePartEdits } from './partEdits'

const reading = ref<string>()

/** Brings mesh files in as parts: read in the worker, kept on the server by hash, added as one step of undo each. */
export function useImport() {
  const document = useDocument()
  const outcomes = useOutcomes()
  const edits = usePartEdits()
  const selection = useSelection()
  const arrivals = useArrivals()

  const refuse = useRefusal('Not read')

  async function importFile(file: File): Promise<string | undefined> {
    const reader = readerFor(file.name)
    if (!reader) return void refuse(notReadHere(file.name))
    if (file.size > MAX_PART_FILE_BYTES) {
      return void refuse(
        `${file.name} has ${Math.ceil(file.size / 2 ** 20)} MB; up to ${MAX_PART_FILE_BYTES / 2 ** 20} MB can be read. Reduce it first.`,
      )
    }
    reading.value = file.name
    try {
      const bytes = new Uint8Array(await file.arrayBuffer())
      const sha256 = await sha256Of(bytes)
      // A file of several things is asked about: one part, or things of their own.
      if (bytes.length > 0 && reader.readScene) {
        const scene = await outcomes.readScene(bytes, file.name)
        if (!scene.ok) return void refuse(sentenceText(scene.problem.says, document.unit))
        if (scene.value.things.length + scene.value.marks.length > 1) {
          const answer = await arrivals.ask({ name: file.name, scene: scene.value })
          if (!answer) return undefined
          if (answer.as === 'scene') return await addScene(file.name, bytes, sha256, answer.unit)
        }
      }
      const read = await outcomes.readFile(bytes, file.name)
      if (!read.ok) return void refuse(sentenceText(read.problem.says, document.unit))
      await api.putFile(sha256, bytes)
      const { mesh, low, high, unit } = read.value
      const shape: MeshShape = {
        kind: 'mesh',
        file: sha256,
        fileName: file.name.slice(-200),
        unit,
        low,
        high,
        triangles: mesh.indices.length / 3,
      }
      await outcomes.addMesh(meshKey(shape), mesh)
      return edits.addMesh(shape)
    } catch (fault) {
      return void refuse(saidBy(fault))
    } finally {
      reading.value = undefined
    }
  }

  /** Adds a scene as parts, patterns and groups, in one step of undo. */
  async function addScene(
    name: string,
    bytes: Uint8Array<ArrayBuffer>,
    sha256: string,
    unit: FileUnit,
  ): Promise<string | undefined> {
    const scene = await outcomes.readScene(bytes, name, unit)
    if (!scene.ok) return void refuse(sentenceText(scene.problem.says, document.unit))
    const made = partsOfScene(scene.value, { sha256, name }, newId, document.project)
    if (!made.ok) return void refuse(sentenceText(made.problem.says, document.unit))
    await api.putFile(sha256, bytes)
    await outcomes.addMeshes(
      new Map(
        scene.value.meshes.flatMap((m, mesh) =>
          m ? [[meshKey({ file: sha256, unit, mesh }), m.read.mesh] as const] : [],
        ),
      ),
    )
    const { parts, patterns, groups } = made.value
    keepBefore(`before bringing in ${name}`.slice(0, 200), document.id, document.project)
    document.change(`bring in ${name}`, (project) => {
      project.parts.push(...parts)
      project.patterns.push(...patterns)
      project.groups.push(...groups)
    })
    selection.pickPattern(patterns[0]?.id)
    return undefined
  }

  async function importFiles(files: Iterable<File>): Promise<string[]> {
    const added: string[] = []
    for (const file of files) {
      const id = await importFile(file)
      if (id) added.push(id)
    }
    return added
  }

  /** Reads a part's file again with another meaning of its numbers. */
  async function setUnit(part: Part, unit: FileUnit): Promise<void> {
    if (part.shape.kind !== 'mesh') return
    const { file, fileName, mesh: number } = part.shape
    try {
      if (number !== undefined) return await setSceneUnit(part, unit)
      const read = await outcomes.readFile(await api.readFile(file), fileName, unit)
      if (!read.ok) return refuse(sentenceText(read.problem.says, document.unit))
      const { mesh } = read.value
      await outcomes.addMesh(meshKey({ file, unit }), mesh)
      const { low, high } = extentOf(mesh, part.shape.cuts)
      const edit = edits.recipe(part.id, (p) => p.shape.kind === 'mesh' && Object.assign(p.shape, { unit, low, high }))
      const problem = await document.change(`unit of ${part.name}`, edit)
      if (problem) refuse(sentenceText(problem.says, document.unit))
    } catch (fault) {
      refuse(saidBy(fault))
    }
  }

  /** The unit of a mesh that came in with a scene: of this part alone; its places stay. */
  async function setSceneUnit(part: Part, unit: FileUnit): Promise<void> {
    if (part.shape.kind !== 'mesh' || part.shape.mesh === undefined) return
    const { file, fileName, mesh: number } = part.shape
    const scene = await outcomes.readScene(await api.readFile(file), fileName, unit)
    if (!scene.ok) return refuse(sentenceText(scene.problem.says, document.unit))
    const made = scene.value.meshes[number]
    if (!made) return
    const { mesh } = made.read
    await outcomes.addMesh(meshKey({ file, unit, mesh: number }), mesh)
    const { low, high } = extentOf(mesh, part.shape.cuts)
    document.change(
      `unit of ${part.name}`,
      edits.recipe(part.id, (p) => p.shape.kind === 'mesh' && Object.assign(p.shape, { unit, low, high })),
    )
  }

  return { importFiles, setUnit, reading }
}
