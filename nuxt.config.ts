import { fileURLToPath } from 'node:url'
import Icons from 'unplugin-icons/vite'

const spaEntry = fileURLToPath(new URL('./node_modules/nuxt/dist/app/entry-spa.js', import.meta.url))

export default defineNuxtConfig({
  compatibilityDate: '2026-01-01',
  ssr: false,
  telemetry: false,
  devtools: { enabled: false },
  modules: ['@pinia/nuxt', '@element-plus/nuxt', '@vueuse/nuxt', '@nuxt/eslint', 'nuxt-security'],
  css: [
    '@fontsource-variable/archivo/wdth.css',
    '@fontsource-variable/atkinson-hyperlegible-next/wght.css',
    '~/assets/theme.css',
    '~/assets/base.css',
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
  runtimeConfig: { bench: { pace: 1 }, public: { demo: false } },
  elementPlus: { importStyle: 'css', icon: false },
  build: { transpile: ['@lactofer/core'] },
  typescript: { strict: true, tsConfig: { compilerOptions: { noUncheckedIndexedAccess: true } } },
  alias: { '#demo': fileURLToPath(new URL('./demo', import.meta.url)) },
  nitro: { compressPublicAssets: true },
  // Development without server rendering needs its entry named.
  $development: { vite: { environments: { ssr: { build: { rollupOptions: { input: { server: spaEntry } } } } } } },
  vite: {
    plugins: [Icons({ compiler: 'vue3', autoInstall: false })],
    build: { assetsInlineLimit: 0 },
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
        'vue-echarts',
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
    headers: {
      crossOriginEmbedderPolicy: false,
      permissionsPolicy: { camera: ['self'] },
      contentSecurityPolicy: {
        'default-src': ["'self'"],
        'base-uri': ["'none'"],
        'object-src': ["'none'"],
        'script-src': ["'self'", "'nonce-{{nonce}}'", "'wasm-unsafe-eval'"],
        'script-src-attr': ["'none'"],
        'style-src': ["'self'", "'unsafe-inline'"],
        'img-src': ["'self'", 'data:', 'blob:'],
        'font-src': ["'self'"],
        'media-src': ["'self'", 'blob:'],
        'connect-src': ["'self'"],
        'worker-src': ["'self'"],
        'manifest-src': ["'self'"],
        'form-action': ["'self'"],
        'frame-ancestors': ["'none'"],
        'upgrade-insecure-requests': false,
      },
    },
  },
})
