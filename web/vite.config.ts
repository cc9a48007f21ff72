import { readFileSync, readdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { constants, gzipSync } from 'node:zlib'
import vue from '@vitejs/plugin-vue'
import type { Plugin } from 'vite'
import { defineConfig } from 'vitest/config'
import { wasmOfItsOwn } from './vite/wasmOfItsOwn.ts'

/** Packs the built files once, so that the server does not pack eight megabytes of engraver at every first visit. */
function packed(): Plugin {
  return {
    name: 'packed',
    apply: 'build',
    writeBundle({ dir }) {
      for (const file of readdirSync(join(dir!, 'assets')).filter((f) => /\.(js|css|wasm)$/.test(f))) {
        const path = join(dir!, 'assets', file)
        writeFileSync(`${path}.gz`, gzipSync(readFileSync(path), { level: constants.Z_BEST_COMPRESSION }))
      }
    },
  }
}

export default defineConfig({
  plugins: [vue(), packed()],
  worker: { format: 'es', plugins: () => [wasmOfItsOwn()] },
  build: { target: 'es2022', chunkSizeWarningLimit: 9000 },
  server: { proxy: { '/api': 'http://127.0.0.1:5230' } },
  test: { environment: 'node', include: ['src/**/*.test.ts'], pool: 'threads' },
})
