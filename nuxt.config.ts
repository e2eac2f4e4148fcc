import { fileURLToPath } from 'node:url'
import Icons from 'unplugin-icons/vite'
import { listChunks } from './scripts/chunks.mjs'
import { guide } from './scripts/guide.mjs'
import { POLICY } from './server/policy'

/** Names this build: the offline shell knows by it that there is a newer one. */
const buildId = process.env.BUILD_ID ?? String(Date.now())
/** The page of today as the build's manifest names it. */
const TODAY = 'pages/index.vue'
const spaEntry = fileURLToPath(new URL('./node_modules/nuxt/dist/app/entry-spa.js', import.meta.url))

export default defineNuxtConfig({
  compatibilityDate: '2026-01-01',
  ssr: false,
  spaLoadingTemplate: true,
  buildId,
  // A build of its own folder does not disturb types that are read beside it.
  ...(process.env.BUILD_DIR && { buildDir: process.env.BUILD_DIR }),
  telemetry: false,
  devtools: { enabled: false },
  modules: ['@element-plus/nuxt', '@vueuse/nuxt', '@nuxt/eslint', '@vite-pwa/nuxt', 'nuxt-security'],
  css: [
    '@fontsource-variable/archivo/wdth.css',
    '@fontsource-variable/atkinson-hyperlegible-next/wght.css',
    // Of what PressButton and TapField draw without the library's code.
    'element-plus/theme-chalk/el-button.css',
    'element-plus/theme-chalk/el-radio-group.css',
    'element-plus/theme-chalk/el-radio-button.css',
    '~/assets/theme.css',
    '~/assets/base.css',
    '~/assets/controls.css',
    '~/assets/notes.css',
    '~/assets/opening.css',
    '~/assets/print.css',
  ],
  components: [{ path: '~/components', pathPrefix: false }],
  app: {
    head: {
      title: 'Lactofer',
      htmlAttrs: { lang: 'en' },
      meta: [
        { name: 'viewport', content: 'width=device-width, initial-scale=1' },
        { name: 'color-scheme', content: 'light dark' },
      ],
      link: [{ rel: 'icon', type: 'image/svg+xml', href: '/icon.svg' }],
    },
  },
  // A page is fetched when somebody reaches for it; the offline shell has them all anyway.
  experimental: { defaults: { nuxtLink: { prefetchOn: { visibility: false, interaction: true } } } },
  hooks: {
    'build:manifest': (manifest) => {
      for (const chunk of Object.values(manifest)) chunk.prefetch = false
      // Today is the page nearly every visit begins with: it comes beside the entry, not after it.
      const entry = Object.values(manifest).find(({ isEntry }) => isEntry)
      if (!entry || !manifest[TODAY]) throw new Error('There is no entry, or no page of today, to be fetched with it.')
      entry.imports = [...(entry.imports ?? []), TODAY]
    },
  },
  runtimeConfig: {
    ...{ bench: { pace: 1 }, hosts: '', public: { demo: false } },
    link: { folder: './.data/link', redis: '' },
    workshop: { address: '', first: '', fingerprint: '' },
  },
  elementPlus: { importStyle: 'css', icon: false },
  build: { transpile: ['@lactofer/core'] },
  // Tests are held to the same types as what they test.
  typescript: {
    strict: true,
    tsConfig: {
      include: ['../tests/**/*.ts', '../core/test/**/*.ts'],
      compilerOptions: { noUncheckedIndexedAccess: true },
    },
  },
  alias: {
    '#demo': fileURLToPath(new URL('./demo', import.meta.url)),
    '#docs': fileURLToPath(new URL('./docs', import.meta.url)),
  },
  // UNCOMPRESSED=1 leaves out the packed copies of every file, for tests: a quarter of the build's time.
  nitro: { compressPublicAssets: !process.env.UNCOMPRESSED },
  // Development without server rendering needs its entry named.
  $development: { vite: { environments: { ssr: { build: { rollupOptions: { input: { server: spaEntry } } } } } } },
  vite: {
    plugins: [
      Icons({ compiler: 'vue3', autoInstall: false }),
      guide(),
      ...(process.env.CHUNKS ? [listChunks(process.env.CHUNKS)] : []),
    ],
    // PLAIN=1 keeps the names of functions, for a profile.
    build: {
      minify: !process.env.PLAIN,
      assetsInlineLimit: 0,
    },
    // Its build for current browsers, a tenth smaller; the package's own entry takes the one for all.
    resolve: {
      alias: { dexie: fileURLToPath(new URL('./node_modules/dexie/dist/modern/dexie.mjs', import.meta.url)) },
    },
    worker: { format: 'es' },
    optimizeDeps: {
      include: [
        'zod',
        'dexie',
        'dayjs',
        'dayjs/plugin/*.js',
        'lodash-unified',
        'ulid',
        'pdf-lib',
        '@pdf-lib/fontkit',
        'uqr',
        'comlink',
        'papaparse',
        'sortablejs',
        'highs',
        'echarts/core',
        'echarts/charts',
        'echarts/components',
        'echarts/renderers',
      ],
    },
  },
  security: {
    nonce: true,
    sri: false,
    corsHandler: false,
    rateLimiter: false,
    // They read a body before we do; ours is read once, with limits of its own.
    xssValidator: false,
    requestSizeLimiter: false,
    headers: {
      crossOriginEmbedderPolicy: false,
      // Whoever puts it behind https says so there; over http it would lock others out.
      strictTransportSecurity: false,
      permissionsPolicy: { camera: ['self'] },
      contentSecurityPolicy: {
        ...POLICY,
        'script-src': [...POLICY['script-src'], "'nonce-{{nonce}}'"],
        'upgrade-insecure-requests': false,
      },
    },
  },
  pwa: {
    registerType: 'prompt',
    manifest: {
      name: 'Lactofer',
      short_name: 'Lactofer',
      description: 'Planner, calculator, bench and logbook for makers of fermented sauces and salsas.',
      lang: 'en',
      theme_color: '#0e4a41',
      background_color: '#eef2ee',
      display: 'standalone',
      icons: [
        { src: 'icon-192.png', sizes: '192x192', type: 'image/png' },
        { src: 'icon-512.png', sizes: '512x512', type: 'image/png', purpose: 'any maskable' },
        { src: 'icon.svg', sizes: 'any', type: 'image/svg+xml' },
      ],
    },
    workbox: {
      globPatterns: ['**/*.{js,css,html,woff2,ttf,svg,png,wasm,webmanifest}'],
      maximumFileSizeToCacheInBytes: 8_000_000,
      navigateFallback: '/',
      // Without this line the worker never becomes active: the build has no page of its own.
      additionalManifestEntries: [{ url: '/', revision: buildId }],
      navigateFallbackDenylist: [/^\/api\//],
    },
    client: { installPrompt: false, periodicSyncForUpdates: 3600 },
  },
})
