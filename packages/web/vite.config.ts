import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { fileURLToPath } from 'node:url'
import { constants } from 'node:zlib'
import { defineConfig, type Plugin } from 'vite'
import { compression, defineAlgorithm } from 'vite-plugin-compression2'

const apiPort = process.env['PORT'] ?? '4640'
const at = (path: string) => fileURLToPath(new URL(path, import.meta.url))

/** `built.json`: every file of the build, for the service worker to keep. */
const listBuiltFiles = (): Plugin => ({
  name: 'list-built-files',
  generateBundle: {
    order: 'post',
    handler(_, bundle) {
      const files = Object.keys(bundle).filter((name) => name.startsWith('assets/'))
      this.emitFile({ type: 'asset', fileName: 'built.json', source: JSON.stringify(files) })
    },
  },
})

/** They come with all other styles (`main.tsx`): what a script puts into the page by itself is refused by its policy. */
const toastsWithoutStyles = (): Plugin => ({
  name: 'toasts-without-styles',
  transform(code, id) {
    if (!id.endsWith('/sonner/dist/index.mjs')) return null
    const without = code.replace('__insertCSS("', 'void ("')
    if (without === code) this.error('The toasts bring their styles in another way now.')
    return { code: without, map: null }
  },
})

/** Every page is set in these: asked for at once, they are there before the first text, and nothing is laid out twice. */
const fontsAtOnce = (): Plugin => ({
  name: 'fonts-at-once',
  transformIndexHtml: {
    order: 'post',
    handler: (_, { bundle = {} }) =>
      Object.keys(bundle)
        .filter((name) => /-latin-wght-normal-.*\.woff2$/.test(name))
        .map((name) => ({
          tag: 'link',
          attrs: { rel: 'preload', as: 'font', type: 'font/woff2', crossorigin: true, href: `/${name}` },
          injectTo: 'head' as const,
        })),
  },
})

/** Two grades above this take five seconds of a first start for two parts in a hundred. */
const brotli = defineAlgorithm('brotliCompress', { params: { [constants.BROTLI_PARAM_QUALITY]: 9 } })

const isOfThePage = (id: string) => !id.includes('/service-worker/')

export default defineConfig({
  plugins: [
    react(),
    tailwindcss(),
    listBuiltFiles(),
    toastsWithoutStyles(),
    fontsAtOnce(),
    // Once, at the build, and not at every asking.
    compression({ include: /\.(js|css|svg)$/, algorithms: ['gzip', brotli] }),
  ],
  worker: { format: 'es' },
  build: {
    target: 'es2023',
    chunkSizeWarningLimit: 900,
    rolldownOptions: {
      input: { index: at('index.html'), 'service-worker': at('service-worker/service-worker.ts') },
      output: {
        // Browsers look for a newer one under the name they know.
        entryFileNames: ({ name }) =>
          name === 'service-worker' ? 'service-worker.js' : 'assets/[name]-[hash].js',
        // Named after all that share it otherwise.
        chunkFileNames: ({ name }) => `assets/${name.startsWith('shared') ? 'shared' : name}-[hash].js`,
        // A request costs a page more than some bytes it could do without: what is small goes together.
        codeSplitting: {
          groups: [
            { name: 'app', tags: ['$initial'], test: isOfThePage, priority: 1 },
            { name: 'shared', minShareCount: 2, entriesAware: true, entriesAwareMergeThreshold: 60_000 },
          ],
        },
      },
    },
  },
  server: { proxy: { '/api': `http://127.0.0.1:${apiPort}` } },
})
