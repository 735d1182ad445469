import { partFileKind } from '@hilera/core/formats/meshFile'
import { MAX_PART_FILE_BYTES } from '@hilera/core/formats/readMesh'
import { type FileUnit, meshKey, type MeshShape, type Part } from '@hilera/core/model/part'
import { sentenceText } from '@hilera/core/numbers/format'
import { useToast } from 'primevue/usetoast'
import { ref } from 'vue'
import { api } from '../api/client'
import { sha256Of } from '@hilera/core/sha256'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { usePartEdits } from './partEdits'

const reading = ref<string>()

/** Brings mesh files in as parts: read in the worker, kept on the server by hash, added as one step of undo each. */
export function useImport() {
  const document = useDocument()
  const outcomes = useOutcomes()
  const edits = usePartEdits()
  const toast = useToast()

  const refuse = (detail: string): void => toast.add({ severity: 'error', summary: 'Not read', detail, life: 12_000 })

  async function importFile(file: File): Promise<string | undefined> {
    const kind = partFileKind(file.name)
    if (!kind)
      return void refuse(`${file.name} is not a kind of file that is read here. Drop a GLB, glTF, OBJ, STL or PLY.`)
    if (file.size > MAX_PART_FILE_BYTES) {
      return void refuse(
        `${file.name} has ${Math.ceil(file.size / 2 ** 20)} MB; up to ${MAX_PART_FILE_BYTES / 2 ** 20} MB can be read. Reduce it first.`,
      )
    }
    reading.value = file.name
    try {
      const bytes = new Uint8Array(await file.arrayBuffer())
      const sha256 = await sha256Of(bytes)
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
      return void refuse(fault instanceof Error ? fault.message : String(fault))
    } finally {
      reading.value = undefined
    }
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
    const { file, fileName } = part.shape
    try {
      const read = await outcomes.readFile(await api.readFile(file), fileName, unit)
      if (!read.ok) return refuse(sentenceText(read.problem.says, document.unit))
      const { mesh, low, high } = read.value
      await outcomes.addMesh(meshKey({ file, unit }), mesh)
      const edit = edits.recipe(part.id, (p) => p.shape.kind === 'mesh' && Object.assign(p.shape, { unit, low, high }))
      const problem = document.change(`unit of ${part.name}`, edit)
      if (problem) refuse(sentenceText(problem.says, document.unit))
    } catch (fault) {
      refuse(fault instanceof Error ? fault.message : String(fault))
    }
  }

  return { importFiles, setUnit, reading }
}
