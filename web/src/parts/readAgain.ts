import { type FileUnit, type MeshShape, type Part, meshKey } from '@hilera/core/model/part'
import { readAgain } from '@hilera/core/links/readAgain'
import { formatNumber, sentenceText } from '@hilera/core/numbers/format'
import { notReadHere, readerFor } from '@hilera/core/readers/partFile'
import { MAX_PART_FILE_BYTES, type ReadMesh } from '@hilera/core/readers/readMesh'
import { sha256Of } from '@hilera/core/sha256'
import { type Result, done, plural, refused } from '@hilera/core/words'
import { useFileDialog } from '@vueuse/core'
import { useToast } from 'primevue/usetoast'
import { shallowRef } from 'vue'
import { saidBy } from '../faults'
import { useRefusal } from '../shell/refusal'
import { api } from '../api/client'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'

/** What there is to say where a file changes more than the part that it was read for. */
function saidOf(count: number, left: readonly Part[]): { summary: string; detail: string; life: number } {
  const names = left.map(({ name }) => name).join(', ')
  return {
    summary: `${formatNumber(count, 0)} ${plural(count, 'part', 'parts')} read again`,
    detail: names
      ? `The file has no piece for ${names}: ${plural(left.length, 'it stays', 'they stay')} as before.`
      : 'All of them are pieces of the one file.',
    life: 8000,
  }
}

/**
 * Reads the file of a part again, as it is now or another one in its place; of a piece, for all pieces of the same mesh. What is the part's own stays: its name, pivot, sides,
 * looks, points, links; so do the places and touch-ups of its copies.
 */
export function useReadAgain(): (part: Part) => void {
  const document = useDocument()
  const outcomes = useOutcomes()
  const toast = useToast()
  const refuse = useRefusal('Not read')
  const asked = shallowRef<Part>()
  const { open, onChange } = useFileDialog({ multiple: false, reset: true })

  /** The mesh of a scene that is called as the one of before; the one of its number where none is. */
  async function inScene(
    bytes: Uint8Array<ArrayBuffer>,
    name: string,
    { file, fileName, unit, mesh = 0 }: MeshShape,
  ): Promise<Result<{ readonly read: ReadMesh; readonly mesh: number }>> {
    const scene = await outcomes.readScene(bytes, name, unit)
    if (!scene.ok) return scene
    const before = await outcomes.readScene(await api.readFile(file), fileName, unit)
    const called = before.ok ? before.value.meshes[mesh]?.name : undefined
    const { meshes } = scene.value
    const byName = meshes.findIndex((m) => m !== undefined && m.name === called)
    const number = byName < 0 ? mesh : byName
    const found = meshes[number]
    return found ? done({ read: found.read, mesh: number }) : refused(`${name} has no mesh ${called ?? mesh + 1}.`)
  }

  /** @returns why it was not taken */
  async function take(part: Part, file: File): Promise<string | undefined> {
    const { shape } = part
    if (shape.kind !== 'mesh') return undefined
    if (!readerFor(file.name)) return notReadHere(file.name)
    if (file.size > MAX_PART_FILE_BYTES) return `${file.name} is larger than ${MAX_PART_FILE_BYTES / 2 ** 20} MB.`
    const bytes = new Uint8Array(await file.arrayBuffer())
    const read =
      shape.mesh === undefined ? await whole(bytes, file.name, shape.unit) : await inScene(bytes, file.name, shape)
    if (!read.ok) return sentenceText(read.problem.says, document.unit)
    const sha256 = await sha256Of(bytes)
    await api.putFile(sha256, bytes)
    const { mesh } = read.value.read
    const now = {
      file: sha256,
      fileName: file.name.slice(-200),
      ...(shape.mesh !== undefined && { mesh: read.value.mesh }),
    }
    const { shapes, left } = readAgain(document.project.parts, { ...part, shape }, now, mesh)
    if (!shapes.has(part.id)) return `${file.name} has no such piece as ${part.name} was cut from ${shape.fileName}.`
    await outcomes.addMesh(meshKey({ ...shape, ...now }), mesh)
    const problem = await document.change(`read the file of ${part.name} again`, (project) => {
      for (const [id, other] of shapes) {
        const draft = project.parts.find((p) => p.id === id)
        if (draft) draft.shape = other
      }
    })
    if (!problem && (left.length > 0 || shapes.size > 1)) toast.add({ severity: 'info', ...saidOf(shapes.size, left) })
    return problem && sentenceText(problem.says, document.unit)
  }
  async function whole(
    bytes: Uint8Array<ArrayBuffer>,
    name: string,
    unit: FileUnit,
  ): Promise<Result<{ readonly read: ReadMesh; readonly mesh: number }>> {
    const read = await outcomes.readFile(bytes, name, unit)
    return read.ok ? done({ read: read.value, mesh: 0 }) : read
  }

  onChange(async (files) => {
    const part = asked.value
    if (!part || !files?.[0]) return
    const refusal = await take(part, files[0]).catch((fault: unknown) => saidBy(fault))
    refuse(refusal)
  })
  return (part) => {
    asked.value = part
    open()
  }
}
