import { Evaluator } from '@hilera/core/evaluate'
import { isIgnored } from '@hilera/core/findings/ignored'
import { lookThrough } from '@hilera/core/findings/lookThrough'
import { namesIn } from '@hilera/core/findings/names'
import { findings } from '@hilera/core/findings/registry'
import { sentenceText } from '@hilera/core/numbers/format'
import { read, Refused } from './arguments'
import { openProject } from './openProject'

export const checkUsage = `  hilera check FILE.hilera [--json]
    Says what is wrong with what is shown: copies that overlap or stand on each other, in one pattern and between
    two, surfaces that are open or inside out, copies outside their outline or too far out, uneven steps, parts
    that nothing uses or that are one shape, names that are given twice. What is ignored in the project is only
    counted. The exit code is 0 where nothing is, 1 where something is.`

/** What is wrong with a project, and 1 as the exit code where something is. */
export async function check(args: string[]): Promise<{ text: string; code: number }> {
  const { values, positionals } = read({ args, allowPositionals: true, options: { json: { type: 'boolean' } } })
  const [from, ...more] = positionals
  if (!from || more.length > 0) throw new Refused('Give one project: hilera check FILE.hilera')
  const { project, meshes } = await openProject(from)
  const outcomes = new Evaluator().evaluate(project, meshes)
  const all = lookThrough(project, meshes, outcomes)
  const found = all.filter((finding) => !isIgnored(finding, project))
  const ignored = all.length - found.length
  const nameOf = namesIn(project)
  const told = found.map((finding) => ({
    ...finding,
    says: sentenceText(findings[finding.what].says(finding, nameOf), project.unit).replaceAll('\u202f', ' '),
  }))
  const code = told.length > 0 ? 1 : 0
  if (!values.json)
    return {
      text: [
        ...(told.length > 0 ? told.map(({ says }) => says) : ['Nothing is wrong.']),
        ...(ignored > 0 ? [`${ignored} ignored.`] : []),
      ].join('\n'),
      code,
    }
  const slotsOf = (id: string, rows: readonly number[]): string[] => {
    const { table } = outcomes.find((o) => o.id === id)!
    return rows.map((row) => table.keyOf(row))
  }
  const plain = told.map(({ rows, other, ...finding }) => ({
    ...finding,
    ...(finding.pattern !== undefined && { copies: slotsOf(finding.pattern, rows) }),
    ...(other && { other: { pattern: other.pattern, copies: slotsOf(other.pattern, other.rows) } }),
  }))
  return { text: JSON.stringify({ findings: plain, ignored }), code }
}
