// @vitest-environment node
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { expect, it } from 'vitest'
import { aura } from './aura'

const source = fileURLToPath(new URL('..', import.meta.url))
/** What of PrimeVue is no component with tokens of its own. */
const PLAIN = new Set(['config', 'toastservice', 'usetoast', 'column', 'splitterpanel', 'menuitem'])

it('has the tokens of every component that a screen imports', () => {
  const imported = new Set<string>()
  for (const name of readdirSync(source, { recursive: true, encoding: 'utf8' }))
    if (/\.(vue|ts)$/.test(name))
      for (const [, component] of readFileSync(join(source, name), 'utf8').matchAll(/from 'primevue\/([a-z]+)'/g))
        imported.add(component)
  expect(imported.size).toBeGreaterThan(15)
  const missing = [...imported].filter((name) => !PLAIN.has(name) && !(name in aura.components))
  expect(missing).toEqual([])
})
