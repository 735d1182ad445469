import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vite'
import vue from '@vitejs/plugin-vue'

const nothing = fileURLToPath(new URL('nothing.ts', import.meta.url))
const server = `http://127.0.0.1:${process.env.HILERA_PORT ?? 4180}`

export default defineConfig({
  plugins: [vue()],
  build: {
    target: 'es2022',
    sourcemap: false,
    chunkSizeWarningLimit: 1200,
    // Letters of other scripts are fetched where they are used, and not with every style sheet.
    assetsInlineLimit: (file) => (/\.woff2?$/.test(file) ? false : undefined),
  },
  worker: { format: 'es' },
  // What reads files where there is a file system is never called in a browser.
  resolve: {
    alias: [
      { find: /^node:(fs|path)$/, replacement: nothing },
      // By its single modules only what is used is taken in; the one file that three ships keeps nearly all of its classes.
      { find: /^three$/, replacement: 'three/src/Three.js' },
    ],
  },
  server: { port: 5173, proxy: { '/api': { target: server, changeOrigin: true, headers: { origin: server } } } },
})
