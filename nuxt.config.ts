export default defineNuxtConfig({ ssr: false, telemetry: false, modules: ['@pinia/nuxt', '@element-plus/nuxt', '@vueuse/nuxt', '@nuxt/eslint', 'nuxt-security'] })
