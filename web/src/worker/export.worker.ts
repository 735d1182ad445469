import type { Project } from '@hilera/core/model/project'
import type { MeshLibrary } from '@hilera/core/parts/partMesh'
import { type Result, done } from '@hilera/core/words'
import type { Verdict, WriterOptions, Written } from '@hilera/core/writers/definition'
import { writerFor } from '@hilera/core/writers/index'
import { workedScene } from '@hilera/core/writers/scene'
import * as Comlink from 'comlink'

export interface Exported extends Written {
  readonly verdict?: Verdict
}

/** Writes a file and has it judged. Lives for one export: stopping it is ending the worker. */
const exporting = {
  async write(
    name: string,
    project: Project,
    meshes: MeshLibrary,
    options: WriterOptions,
    onProgress: (share: number, doing: string) => void,
  ): Promise<Result<Exported>> {
    const writer = writerFor(name)
    if (!writer.ok) return writer
    const written = await writer.value.write(workedScene(project, meshes), options, (share) =>
      onProgress(share * 0.8, 'Writing copies'),
    )
    if (!written.ok) return written
    const { bytes } = written.value
    onProgress(0.85, 'Asking the validator')
    const verdict = await writer.value.judge?.(bytes)
    onProgress(1, 'Done')
    return Comlink.transfer(done({ ...written.value, ...(verdict && { verdict }) }), [bytes.buffer as ArrayBuffer])
  },
}

export type Exporting = typeof exporting

Comlink.expose(exporting)
