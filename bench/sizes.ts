import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { gzipSync } from 'node:zlib'
import { table } from './rounds'

const dist = fileURLToPath(new URL('../web/dist/', import.meta.url))
const FIRST_LOAD_LIMIT = 400

/** What the built application weighs: what the page asks for first, and what comes later. */
export async function sizes(): Promise<void> {
  if (!existsSync(`${dist}index.html`)) return console.log('\nSizes: skipped, run “npm run build” first.')
  const page = readFileSync(`${dist}index.html`, 'utf8')
  const first = new Set([...page.matchAll(/(?:src|href)="\/(assets\/[^"]+)"/g)].map(([, path]) => path))
  const projects = readdirSync(`${dist}assets`).filter((name) =>
    /^(Projects|Mark|ellipsis|button|sha256|projectFile)/.test(name),
  )
  for (const name of projects) first.add(`assets/${name}`)
  const weigh = (path: string): number => gzipSync(readFileSync(dist + path)).length / 1000
  const fonts = readdirSync(`${dist}assets`).filter((name) => /-latin-wght-normal.*\.woff2$/.test(name))
  const rows = [
    {
      what: 'page, scripts and styles of the first screen',
      'kB gzipped': Math.round(weigh('index.html') + [...first].reduce((n, path) => n + weigh(path), 0)),
    },
    {
      what: 'fonts of the first screen (woff2 as they are)',
      'kB gzipped': Math.round(fonts.reduce((n, name) => n + readFileSync(`${dist}assets/${name}`).length / 1000, 0)),
    },
    {
      what: 'the stage, after the shell',
      'kB gzipped': Math.round(
        readdirSync(`${dist}assets`)
          .filter((n) => n.startsWith('StageView') && n.endsWith('.js'))
          .reduce((n, name) => n + weigh(`assets/${name}`), 0),
      ),
    },
  ]
  table(`Sizes of the built application (limit for the first load: ${FIRST_LOAD_LIMIT} kB)`, rows)
}
