import { createPinia } from 'pinia'

/** The stores, before any other plugin asks. The framework's module for them brings code for servers along. */
export default defineNuxtPlugin({
  name: 'stores',
  enforce: 'pre',
  setup: ({ vueApp }) => void vueApp.use(createPinia()),
})
