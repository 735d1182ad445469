import type { MeshLibrary } from '@hilera/core/parts/partMesh'
import { type GlbOptions, writeGlb } from '@hilera/core/writers/glb/write'
import type { ExportReport } from '@hilera/core/writers/definition'
import type { Project } from '@hilera/core/model/project'
import type { Result } from '@hilera/core/words'
import * as Comlink from 'comlink'
import { validateBytes, type ValidationReport, version } from 'gltf-validator'

export type ExportOptions = Omit<GlbOptions, 'onProgress'>

export interface Exported {
  readonly bytes: Uint8Array
  readonly report: ExportReport
  readonly verdict: ValidationReport['issues']
  readonly validatorVersion: string
}

/** Writes a file and has it judged. Lives for one export: stopping it is ending the worker. */
const exporting = {
  async glb(
    project: Project,
    meshes: MeshLibrary,
    options: ExportOptions,
    onProgress: (share: number, doing: string) => void,
  ): Promise<Result<Exported>> {
    const written = await writeGlb(workedScene(project, meshes), {
      ...options,
      onProgress: (share) => onProgress(share * 0.8, 'Writing copies'),
    })
    if (!written.ok) return written
    const { bytes, report } = written.value
    onProgress(0.85, 'Asking the validator')
    const { issues } = await validateBytes(bytes, { maxIssues: 100 })
    onProgress(1, 'Done')
    return Comlink.transfer({ ok: true, value: { bytes, report, verdict: issues, validatorVersion: version() } }, [
      bytes.buffer as ArrayBuffer,
    ])
  },
}

export type Exporting = typeof exporting

Comlink.expose(exporting)
