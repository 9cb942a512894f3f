import vue from '@vitejs/plugin-vue'
import { readFileSync, readdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { brotliCompressSync, constants, gzipSync } from 'node:zlib'
import type { Plugin } from 'vite'
import { defineConfig } from 'vite'
import { VitePWA } from 'vite-plugin-pwa'
import vuetify from 'vite-plugin-vuetify'

/** Files that shrink, as they go over the wire: squeezed once here, not at every request. */
function squeezed(): Plugin {
  const shrinks = /\.(js|css|svg)$/
  const worthBytes = 1024
  let folder = ''
  return {
    name: 'vendange-squeezed',
    apply: 'build',
    configResolved: ({ root, build }) => {
      folder = join(root, build.outDir, build.assetsDir)
    },
    closeBundle: () => {
      for (const name of readdirSync(folder).filter((one) => shrinks.test(one))) {
        const bytes = readFileSync(join(folder, name))
        if (bytes.length < worthBytes) continue
        const params = { [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length }
        writeFileSync(join(folder, `${name}.br`), brotliCompressSync(bytes, { params }))
        writeFileSync(join(folder, `${name}.gz`), gzipSync(bytes, { level: 9 }))
      }
    },
  }
}

/** The page that a day begins with: what it needs is asked for at once, not when the app has found out that it does. */
const firstPage = { path: '/plan', module: 'src/plan/PlanPage.vue', data: '/api/season' }

/** Writes into the page what its first view needs, marked with the path of that view: the server leaves it out elsewhere. */
function askedForAtOnce(): Plugin {
  return {
    name: 'vendange-asked-for-at-once',
    apply: 'build',
    transformIndexHtml: {
      order: 'post',
      handler: (_html, { bundle = {} }) => {
        const chunks = Object.values(bundle).flatMap((one) => (one.type === 'chunk' ? [one] : []))
        const wanted = new Set<string>()
        const styles = new Set<string>()
        const want = (fileName: string): void => {
          const chunk = chunks.find((one) => one.fileName === fileName)
          if (!chunk || wanted.has(fileName)) return
          wanted.add(fileName)
          for (const style of chunk.viteMetadata?.importedCss ?? []) styles.add(style)
          chunk.imports.forEach(want)
        }
        const page = chunks.find(({ facadeModuleId }) => facadeModuleId?.endsWith(firstPage.module) === true)
        if (!page) throw new Error(`Expected a chunk of ${firstPage.module}`)
        want(page.fileName)
        const link = (attrs: Record<string, string>) => ({
          tag: 'link',
          attrs: { ...attrs, 'data-for': firstPage.path },
          injectTo: 'head' as const,
        })
        return [
          link({ rel: 'preload', as: 'fetch', crossorigin: 'anonymous', href: firstPage.data }),
          ...[...wanted].map((name) => link({ rel: 'modulepreload', crossorigin: '', href: `/${name}` })),
          ...[...styles].map((name) => link({ rel: 'preload', as: 'style', crossorigin: '', href: `/${name}` })),
        ]
      },
    },
  }
}

/** The shell on the device, and the application on its home screen. The page itself is the server's: it has a mark of its own. */
const onTheDevice = VitePWA({
  strategies: 'injectManifest',
  srcDir: 'src/workers',
  filename: 'serviceWorker.ts',
  outDir: 'dist',
  injectRegister: false,
  injectManifest: {
    globPatterns: ['assets/*.{js,css,woff2,wasm}', 'icon.svg'],
    globIgnores: ['**/*-{cyrillic,greek,vietnamese}*'],
    maximumFileSizeToCacheInBytes: 4_000_000,
  },
  manifest: {
    id: '/',
    name: 'Vendange',
    short_name: 'Vendange',
    description: 'The workshop’s wall board, recipe card and ledger',
    start_url: '/plan',
    display: 'standalone',
    background_color: '#FAF6EF',
    theme_color: '#5A2750',
    icons: [{ src: '/icon.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' }],
  },
})

export default defineConfig({
  plugins: [vue(), vuetify(), askedForAtOnce(), squeezed(), onTheDevice],
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  build: {
    target: 'es2022',
    chunkSizeWarningLimit: 900,
    rolldownOptions: { output: { codeSplitting: { groups: [{ name: 'shared', minShareCount: 24 }] } } },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:4173' } },
})
