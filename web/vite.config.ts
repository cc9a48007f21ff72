import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  plugins: [vue()],
  worker: { format: 'es' },
  build: { target: 'es2022', chunkSizeWarningLimit: 9000 },
  server: { proxy: { '/api': 'http://127.0.0.1:5230' } },
  test: { environment: 'jsdom', include: ['src/**/*.test.ts'] },
})
