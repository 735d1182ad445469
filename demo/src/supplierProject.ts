import { readScene } from '@hilera/core/readers/scene'
import { type Project, emptyProject } from '@hilera/core/model/project'
import { partsOfScene } from '@hilera/core/scenes/sceneParts'
import { sha256Of } from '@hilera/core/sha256'
import { supplierFile } from './supplier'

/** The supplier's file as it comes in: a project with a part for each of its 640 meshes, and the file beside it. */
export async function supplierProject(): Promise<{ project: Project; sha256: string; bytes: Uint8Array }> {
  const bytes = await supplierFile()
  const sha256 = await sha256Of(bytes as Uint8Array<ArrayBuffer>)
  const scene = await readScene(bytes, 'supplier.glb')
  if (!scene.ok) throw new Error('the supplier’s file cannot be read')
  const before = emptyProject('Received from the supplier')
  let made = 0
  const taken = partsOfScene(scene.value, { sha256, name: 'supplier.glb' }, (kind) => `${kind}-${++made}`, before)
  if (!taken.ok) throw new Error('the supplier’s file cannot be taken in')
  return { project: { ...before, ...taken.value }, sha256, bytes }
}
