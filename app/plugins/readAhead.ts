import { readAhead } from '~/db/journal'

/** The log is on its way before the first page is there. */
export default defineNuxtPlugin({ name: 'read-ahead', enforce: 'pre', setup: readAhead })
