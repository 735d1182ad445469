import { fileURLToPath } from 'node:url'
import { constants } from 'node:zlib'
import { defineConfig } from 'vite'
import { compression, defineAlgorithm } from 'vite-plugin-compression2'
import vue from '@vitejs/plugin-vue'

const here = (path: string): string => fileURLToPath(new URL(path, import.meta.url))
const server = `http://127.0.0.1:${process.env.HILERA_PORT ?? 4180}`

/** What the bundler knows of its modules: those that one imports at once. */
interface Modules {
  getModuleInfo(id: string): { readonly importedIds: readonly string[] } | null
}

/**
 * A chunk for all that these need at once. Left to itself the bundler makes one for each set of screens that share modules: opening
 * a project took ninety requests, each with its headers, and many small ones pack worse than one.
 */
function chunkOf(name: string, paths: readonly string[], priority: number) {
  let needed: Set<string> | undefined
  const collect = (modules: Modules): Set<string> => {
    const found = new Set<string>()
    const open = paths.map((path) => here(`src/${path}`))
    for (let id = open.pop(); id !== undefined; id = open.pop()) {
      if (found.has(id)) continue
      found.add(id)
      open.push(...(modules.getModuleInfo(id)?.importedIds ?? []))
    }
    return found
  }
  const nameOf = (id: string, modules: Modules): string | null => ((needed ??= collect(modules)).has(id) ? name : null)
  return { debugName: name, name: nameOf, priority }
}

/** Packed once and well, and sent as it lies there: packed anew for each request it was a quarter more. The last degree takes twice the time for a fiftieth less. */
const packed = compression({
  algorithms: [defineAlgorithm('brotliCompress', { params: { [constants.BROTLI_PARAM_QUALITY]: 10 } }), 'gzip'],
  include: /\.(js|css|svg)$/,
  logLevel: 'silent',
})

export default defineConfig({
  plugins: [vue(), packed],
  build: {
    target: 'es2022',
    sourcemap: false,
    chunkSizeWarningLimit: 2000,
    // Letters of other scripts are fetched where they are used, and not with every style sheet.
    assetsInlineLimit: (file) => (/\.woff2?$/.test(file) ? false : undefined),
    rolldownOptions: {
      checks: { bundlerTimings: false },
      output: {
        // The list of projects comes first, by itself; who opens one gets all of the screen on which it is arranged.
        codeSplitting: {
          groups: [
            chunkOf('first', ['main.ts', 'screens/Projects.vue'], 2),
            chunkOf('arrange', ['shell/ProjectShell.vue', 'screens/Arrange.vue', 'arrange/StageView.vue'], 1),
          ],
        },
      },
    },
  },
  worker: { format: 'es' },
  // What reads files where there is a file system is never called in a browser.
  resolve: {
    alias: [
      { find: /^node:(fs|path)$/, replacement: here('nothing.ts') },
      // By its single modules only what is used is taken in; the one file that three ships keeps nearly all of its classes.
      { find: /^three$/, replacement: 'three/src/Three.js' },
    ],
  },
  server: { port: 5173, proxy: { '/api': { target: server, changeOrigin: true, headers: { origin: server } } } },
})
