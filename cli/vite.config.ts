import { defineConfig } from 'vite'

/** One file for Node; packages from the registry stay outside, the project's own are taken in. */
export default defineConfig({
  build: {
    ssr: 'src/main.ts',
    outDir: 'dist',
    target: 'node20',
    emptyOutDir: true,
    rolldownOptions: { output: { codeSplitting: false } },
  },
  ssr: { noExternal: [/^@hilera\//] },
})
