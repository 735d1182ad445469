import { workedScene } from '@hilera/core/writers/scene'
import { writerFor } from '@hilera/core/writers/index'
import { read, Refused } from './arguments'
import { openProject } from './openProject'
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
  const { project, meshes } = await openProject(from)
  const writer = writerFor(to)
  if (!writer.ok) throw new Refused(writer.problem.says)
  const scene = workedScene(project, meshes)
  const written = await writer.value.write(scene, { style: values.instancing ? 'instanced' : 'linked' })
  if (!written.ok) throw new Refused(written.problem.says)
  await writeWhole(to, written.value.bytes)
  const { report } = written.value
  if (values.json) return JSON.stringify(report)
  return `${to}: ${report.copies} copies of ${report.meshes} meshes, ${report.bytes} bytes.`
}
