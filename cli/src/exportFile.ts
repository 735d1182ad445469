import { workedScene } from '@hilera/core/writers/scene'
import { writerFor } from '@hilera/core/writers/index'
import { choice, read, Refused } from './arguments'
import { openProject } from './openProject'
import { memoryHeld } from './memory'
import { writeWhole } from './writeWhole'

export const exportUsage = `  hilera export FILE.hilera OUT.glb [--instancing] [--motion] [--json]
    Writes a project as binary glTF, its copies as linked nodes or, smaller, as instances; with --motion how they move too, as an
    animation.`

export async function exportFile(args: string[]): Promise<string> {
  const { values, positionals } = read({
    args,
    allowPositionals: true,
    options: { instancing: { type: 'boolean' }, motion: { type: 'boolean' }, json: { type: 'boolean' } },
  })
  const [from, to, ...more] = positionals
  if (!from || !to || more.length > 0)
    throw new Refused('Give the project and the file to write: hilera export FILE.hilera OUT.glb')
  const { project, meshes } = await openProject(from)
  const writer = writerFor(to)
  if (!writer.ok) throw new Refused(writer.problem.says)
  const scene = workedScene(project, meshes)
  const written = await writer.value.write(scene, {
    style: values.instancing ? 'instanced' : 'linked',
    motion: values.motion ? 'yes' : 'no',
  })
  if (!written.ok) throw new Refused(written.problem.says)
  await writeWhole(to, written.value.bytes)
  const { report } = written.value
  if (values.json) return JSON.stringify({ ...report, memory: memoryHeld() })
  return `${to}: ${report.copies} copies of ${report.meshes} meshes, ${report.bytes} bytes.`
}

export const tableUsage = `  hilera table FILE.hilera OUT.csv|OUT.json [--unit mm|cm|m|in] [--up y|z] [--turn degrees|quaternion|matrix]
      [--decimal point|comma]
    Writes every copy with its place, turn and size as a table.`

/** All copies of a project as a table. */
export async function tableOut(args: string[]): Promise<string> {
  const text = { type: 'string' } as const
  const { values, positionals } = read({
    args,
    allowPositionals: true,
    options: { unit: text, up: text, turn: text, decimal: text },
  })
  const [from, to, ...more] = positionals
  if (!from || !to || more.length > 0)
    throw new Refused('Give the project and the table to write: hilera table FILE.hilera OUT.csv')
  const writer = writerFor(to)
  if (!writer.ok || writer.value.choices.every(({ key }) => key !== 'turn'))
    throw new Refused(`${to} does not end in .csv or .json, the tables that are written. Give it such a name.`)
  const options: Record<string, string> = {}
  for (const { key, values: known } of writer.value.choices) {
    const given = values[key as keyof typeof values]
    if (given !== undefined)
      options[key] = choice(
        key,
        given,
        known.map(({ value }) => value),
        known[0].value,
      )
  }
  const { project, meshes } = await openProject(from)
  const written = await writer.value.write(workedScene(project, meshes), { ...writer.value.usual(0), ...options })
  if (!written.ok) throw new Refused(written.problem.says)
  await writeWhole(to, written.value.bytes)
  const { copies, bytes } = written.value.report
  return `${to}: ${copies} ${copies === 1 ? 'copy' : 'copies'}, ${bytes} bytes.`
}
