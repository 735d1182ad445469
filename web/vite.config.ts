import { defineConfig } from 'vite'
import vue from '@vitejs/plugin-vue'

const server = `http://127.0.0.1:${process.env.HILERA_PORT ?? 4180}`

export default defineConfig({
  plugins: [vue()],
  build: { target: 'es2022', sourcemap: false, chunkSizeWarningLimit: 1200 },
  worker: { format: 'es' },
  server: { port: 5173, proxy: { '/api': { target: server, changeOrigin: true, headers: { origin: server } } } },
})
