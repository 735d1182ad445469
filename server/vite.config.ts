import { defineConfig } from 'vite'

/**
 * One file for Node, with the packages it needs: hundreds of small files took longer to find than to run (ready in 0.8 s of work for
 * 1.9 s). What is compiled for the machine stays outside.
 */
export default defineConfig({
  build: {
    ssr: true,
    rollupOptions: { input: ['src/main.ts', 'src/apply.worker.ts'] },
    outDir: 'dist',
    target: 'node20',
    emptyOutDir: true,
  },
  ssr: { noExternal: true, external: ['libsql'] },
})
