import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vite'

const here = (path: string): string => fileURLToPath(new URL(path, import.meta.url))

/** The process that tries files, as one file for Node: packages are taken in as browsers take them. */
export default defineConfig({
  root: here('.'),
  logLevel: 'error',
  build: { ssr: here('child.ts'), outDir: here('dist'), target: 'node20', emptyOutDir: true },
  ssr: { noExternal: [/^@hilera\//, 'opentype.js'] },
})
