import { defineConfig } from 'vite'

/** One file for Node; packages from the registry stay outside, the project's own are taken in. */
export default defineConfig({
  build: {
    ssr: true,
    rollupOptions: { input: ['src/main.ts', 'src/apply.worker.ts'] },
    outDir: 'dist',
    target: 'node20',
    emptyOutDir: true,
  },
  ssr: { noExternal: [/^@hilera\//] },
})
