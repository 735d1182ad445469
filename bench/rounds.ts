import { cpus } from 'node:os'

/** Runs several things in turn, so that a busy machine slows them alike, and gives the median milliseconds of each. */
export function rounds<K extends string>(things: Record<K, () => void>, times = 9): Record<K, number> {
  const names = Object.keys(things) as K[]
  const taken = Object.fromEntries(names.map((name) => [name, [] as number[]])) as Record<K, number[]>
  for (const name of names) warmUp(things[name])
  for (let i = 0; i < times; i++) {
    for (const name of names) {
      const start = performance.now()
      things[name]()
      taken[name].push(performance.now() - start)
    }
  }
  return Object.fromEntries(names.map((name) => [name, taken[name].sort((a, b) => a - b)[times >> 1]])) as Record<
    K,
    number
  >
}

/** Runs a thing until the engine has had time to compile it. */
function warmUp(thing: () => void): void {
  const start = performance.now()
  for (let n = 0; n < 3 || (n < 200 && performance.now() - start < 400); n++) thing()
}

type Rows = readonly Record<string, string | number>[]
const told: { readonly title: string; readonly rows: Rows }[] = []

export const table = (title: string, rows: Rows): void => {
  console.log(`\n${title}`)
  console.table(rows)
  told.push({ title, rows })
}

/** All tables of this run for a page of the manual, with the machine and the day. */
export function asMarkdown(): string {
  const tables = told.map(({ title, rows }) => {
    const keys = [...new Set(rows.flatMap((row) => Object.keys(row)))]
    const line = (cells: readonly (string | number)[]): string => `| ${cells.join(' | ')} |`
    const body = rows.map((row) => line(keys.map((key) => row[key] ?? '')))
    return [`## ${title}`, '', line(keys), line(keys.map(() => '---')), ...body].join('\n')
  })
  const [processor] = cpus()
  return `# Figures

Written by \`npm run bench -- --markdown\` on ${new Date().toISOString().slice(0, 10)}: ${cpus().length} × ${processor.model.trim()}, Node.js
${process.version}. Each figure stands beside a peer or a bound in the same run; the ratios carry over to other machines, the
milliseconds do not. Pictures were drawn in software, without a graphics card.

${tables.join('\n\n')}
`
}

export const ms = (n: number): string => `${n.toFixed(n < 10 ? 3 : 1)} ms`
export const ratio = (n: number): string => `${n.toFixed(2)} ×`
