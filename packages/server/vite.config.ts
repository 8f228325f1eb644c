import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vite'

const at = (path: string) => fileURLToPath(new URL(path, import.meta.url))

/** All in a few files, packages too: found and read one by one they take most of a start. */
export default defineConfig({
  build: {
    ssr: true,
    target: 'node20',
    // As deep as `src/db`, from where the migrations are found.
    outDir: 'dist/server',
    // What the log names can be read.
    minify: false,
    rolldownOptions: {
      input: ['main', 'processes', 'planner', 'make-owner'].map((name) => at(`src/${name}.ts`)),
      output: { chunkFileNames: '[name]-[hash].js' },
    },
  },
  // Machine code of its own, found beside its package.
  ssr: { noExternal: true, external: ['sharp'] },
})
