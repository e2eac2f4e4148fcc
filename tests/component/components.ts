// What Nuxt offers as `#components`, as far as the application names it.
export { RouterLink as NuxtLink } from 'vue-router'
