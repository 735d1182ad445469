import { filesOf, partsNamed, partWithParts } from '@hilera/core/model/references'
import { writeProjectFile } from '@hilera/core/projectFile/hilera'
import type { Part } from '@hilera/core/model/part'
import { emptyProject } from '@hilera/core/model/project'
import { freeName } from '@hilera/core/names'
import { sentenceText } from '@hilera/core/numbers/format'
import { saidBy } from '../faults'
import { useRefusal } from '../shell/refusal'
import { api } from '../api/client'
import { download } from '../api/download'
import { fileNameOf } from '../api/projectFile'
import { newId } from '../names'
import { useDocument } from '../stores/document'
import { useMeshes } from './meshes'
import { readAway } from '../worker/reading'

/** Sets of parts as files: a `.hilera` file without patterns. */
export function usePartSets() {
  const document = useDocument()
  const meshes = useMeshes()
  const refuse = useRefusal()

  /** Saves parts with everything that they rest on. */
  async function save(chosen: readonly Part[]): Promise<void> {
    const all = new Map(document.project.parts.map((p) => [p.id, p]))
    const kept = new Map<string, Part>()
    const keep = (part: Part | undefined): void => {
      if (!part || kept.has(part.id)) return
      for (const id of partsNamed(part)) keep(all.get(id))
      kept.set(part.id, part)
    }
    chosen.forEach(keep)
    try {
      const files = new Map<string, Uint8Array>()
      for (const part of kept.values())
        for (const { file } of filesOf(part)) if (!files.has(file)) files.set(file, await api.readFile(file))
      const name = `${document.project.name.slice(0, 70)} parts`
      const set = { ...emptyProject(name), unit: document.unit, parts: [...kept.values()] }
      download(writeProjectFile(set, files), `${fileNameOf(name)}.hilera`, 'application/zip')
    } catch (fault) {
      refuse(saidBy(fault))
    }
  }

  /** Adds all parts of a set, under names that are free; none is written over. */
  async function add(file: File): Promise<void> {
    const bytes = new Uint8Array(await file.arrayBuffer())
    const read = await readAway(file.name, (to) => to.project(bytes, file.name))
    if (!read.ok) return refuse(sentenceText(read.problem.says, document.unit))
    const { project: set, files } = read.value
    if (set.parts.length === 0) return refuse(`${file.name} holds no parts. Choose a set that was saved from Parts.`)
    try {
      for (const [sha256, bytes] of files) await api.putFile(sha256, bytes as Uint8Array<ArrayBuffer>)
    } catch (fault) {
      return refuse(saidBy(fault))
    }
    const fresh = new Map(set.parts.map((p) => [p.id, newId('part')]))
    const now = (id: string): string => fresh.get(id) ?? id
    document.change(`add parts from ${file.name}`, (project) => {
      for (const part of set.parts) {
        const name = freeName(
          part.name,
          project.parts.map((p) => p.name),
        )
        project.parts.push({ ...partWithParts(part, now), id: now(part.id), name })
      }
    })
    await meshes.readAll()
  }

  return { save, add }
}
