// Aliases of the application for scripts that run parts of it.
import { fileURLToPath } from 'node:url'

const here = (path) => fileURLToPath(new URL(path, import.meta.url))
export default { resolve: { alias: { '~': here('../app'), '#demo': here('../demo') } } }
