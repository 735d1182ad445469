import { workedScene } from '@hilera/core/writers/scene'
import { type WrittenGlb, writeGlb } from '@hilera/core/writers/glb/write'
import { readScene } from '@hilera/core/readers/scene'
import { meshKey } from '@hilera/core/model/part'
import { type Project, emptyProject } from '@hilera/core/model/project'
import { partsOfScene } from '@hilera/core/scenes/sceneParts'
import { foldDefaults } from '@hilera/core/shapes/fold'
import { type FoldReport, foldProject } from '@hilera/core/folding/foldProject'
import { sha256Of } from '@hilera/core/sha256'
import { readFile } from 'node:fs/promises'
import { basename } from 'node:path'
import { choice, length, read, Refused } from './arguments'
import { memoryHeld } from './memory'
import { writeWhole } from './writeWhole'

export const foldUsage = `  hilera fold IN.glb OUT.glb [--tolerance 0.1mm] [--by geometry|name] [--sizes uniform|axes] [--instancing]
              [--dry-run] [--json]
    Turns separate meshes that are one shape into linked copies, mirror images into copies of a twin.`

export async function fold(args: string[]): Promise<string> {
  const { values, positionals } = read({
    args,
    allowPositionals: true,
    options: {
      tolerance: { type: 'string' },
      by: { type: 'string' },
      sizes: { type: 'string' },
      instancing: { type: 'boolean' },
      'dry-run': { type: 'boolean' },
      json: { type: 'boolean' },
    },
  })
  const [from, to, ...more] = positionals
  if (!from || (!to && !values['dry-run']) || more.length > 0)
    throw new Refused('Give the file and the one to write: hilera fold IN.glb OUT.glb, or add --dry-run.')
  const tolerance = length('tolerance', values.tolerance) ?? foldDefaults.tolerance
  if (!(tolerance > 0)) throw new Refused('--tolerance is a length above 0, such as 0.1mm.')
  const options = {
    tolerance,
    by: choice('by', values.by, ['geometry', 'name'] as const, foldDefaults.by),
    sizes: choice('sizes', values.sizes, ['uniform', 'axes'] as const, foldDefaults.sizes),
  }
  const bytes = await readFile(from).catch(() => {
    throw new Refused(`${from} cannot be read. Check its name.`)
  })
  const { report, written, leftBehind } = await folded(bytes, basename(from), options, values.instancing ?? false)
  if (to && !values['dry-run']) await writeWhole(to, written.bytes)
  const sizes = { bytesBefore: bytes.length, bytesAfter: written.bytes.length }
  if (!values.json) return inWords(report, sizes, leftBehind, values['dry-run'] ? undefined : to)
  return JSON.stringify({
    parts: report.partsAfter - report.twins,
    copies: report.copies,
    twins: report.twins,
    worstDeviation: report.worstDeviation,
    ...sizes,
    memory: memoryHeld(),
    trianglesBefore: report.trianglesBefore,
    trianglesAfter: report.trianglesAfter,
    folded: report.parts,
    nearMisses: report.nearMisses,
    leftBehind,
  })
}

async function folded(
  bytes: Uint8Array,
  name: string,
  options: typeof foldDefaults,
  instancing: boolean,
): Promise<{ report: FoldReport; written: WrittenGlb; leftBehind: readonly string[] }> {
  if (!/\.gl(b|tf)$/i.test(name)) throw new Refused(`${name} is not a glTF file. Give a .glb or .gltf.`)
  const scene = await readScene(bytes, name)
  if (!scene.ok) throw new Refused(scene.problem.says)
  let made = 0
  const newId = (kind: string): string => `${kind}-${++made}`
  const file = { sha256: await sha256Of(bytes), name }
  const before = emptyProject(name.replace(/\.[^.]+$/, '').slice(0, 80) || 'Scene')
  // Empty nodes have no shape to fold, and a GLB written here has none.
  const { marks, leftBehind } = scene.value
  if (scene.value.things.length === 0) throw new Refused(`${name} holds no triangles. Choose a file with a mesh in it.`)
  const taken = partsOfScene({ ...scene.value, marks: [] }, file, newId, before)
  if (!taken.ok) throw new Refused(taken.problem.says)
  const meshes = new Map(
    scene.value.meshes.flatMap((mesh, i) =>
      mesh ? [[meshKey({ file: file.sha256, unit: 'm', mesh: i }), mesh.read.mesh] as const] : [],
    ),
  )
  const project: Project = { ...before, ...taken.value }
  const { report, parts, patterns } = foldProject(project, { parts: project.parts, meshes }, options, newId)
  const written = await writeGlb(workedScene({ ...project, parts, patterns }, meshes), {
    style: instancing ? 'instanced' : 'linked',
  })
  if (!written.ok) throw new Refused(written.problem.says)
  return { report, written: written.value, leftBehind: [...(marks.length > 0 ? ['empty nodes'] : []), ...leftBehind] }
}

const reasons: Record<FoldReport['nearMisses'][number]['fault'], string> = {
  points: 'a vertex is off by more than the tolerance',
  triangles: 'the same points joined by other triangles',
  shading: 'shaded otherwise',
  picture: 'its picture lies otherwise',
  look: 'another look',
  place: 'used where its places cannot take the move up',
}

function inWords(
  report: FoldReport,
  { bytesBefore, bytesAfter }: { bytesBefore: number; bytesAfter: number },
  leftBehind: readonly string[],
  to: string | undefined,
): string {
  const mm = (metres: number): string => `${(metres * 1000).toPrecision(3)} mm`
  const lines = [
    `${report.partsBefore} parts become ${report.partsAfter - report.twins} and ${report.twins} ${report.twins === 1 ? 'twin' : 'twins'}, with ${report.copies} copies; no vertex is off by more than ${mm(report.worstDeviation)}.`,
    ...report.parts.map(
      (p) =>
        `  ${p.name}: ${p.copies} copies${p.twinCopies ? `, ${p.twinCopies} of its twin` : ''}, found by ${p.by}, off by ${mm(p.deviation)} at most`,
    ),
    `${bytesBefore} bytes become ${bytesAfter}, ${(bytesBefore / bytesAfter).toFixed(1)} times smaller${to ? `: ${to}` : '; nothing was written'}.`,
  ]
  for (const miss of report.nearMisses)
    lines.push(`  Nearly: ${miss.name} is like ${miss.like}, ${mm(miss.deviation)} off: ${reasons[miss.fault]}`)
  if (leftBehind.length > 0) lines.push(`Left behind: ${leftBehind.join(', ')}.`)
  return lines.join('\n')
}
