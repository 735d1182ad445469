import { readdirSync, readFileSync } from 'node:fs'
import { join, relative } from 'node:path'
import { fileURLToPath } from 'node:url'
import { expect, it } from 'vitest'
import { layoutKinds } from '../src/layouts/index'
import { stepKinds } from '../src/steps/index'

const root = fileURLToPath(new URL('../..', import.meta.url))

/** Where kinds are at home: the definitions themselves. */
const HOME = /^(core|web)\/src\/(layouts|steps)\//

function* sources(folder: string): Generator<string> {
  for (const entry of readdirSync(join(root, folder), { withFileTypes: true })) {
    const path = `${folder}/${entry.name}`
    if (entry.isDirectory()) yield* sources(path)
    else if (/\.(ts|vue)$/.test(path) && !path.endsWith('.test.ts') && !HOME.test(path)) yield path
  }
}

it('no layout and no step is told by its kind outside of its definition', () => {
  const compared = new RegExp(`kind\\s*(===|!==)\\s*'(${[...layoutKinds, ...stepKinds].join('|')})'`, 'g')
  const found = ['core/src', 'web/src', 'server/src', 'cli/src'].flatMap((folder) =>
    [...sources(folder)].flatMap((path) =>
      [...readFileSync(join(root, path), 'utf8').matchAll(compared)].map(
        (m) => `${relative(root, join(root, path))}: ${m[0]}`,
      ),
    ),
  )
  expect(found).toEqual([])
})
