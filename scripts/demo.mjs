// Builds the application if need be and starts it with the demo: an empty log in the browser opens with the invented
// loft in it.
import { existsSync } from 'node:fs'
import { run } from './steps.mjs'

const port = process.env.PORT ?? '3000'
if (!existsSync('.output/server/index.mjs') || process.argv.includes('--rebuild'))
  run('Build', 'npx', ['nuxt', 'build'])
console.log(`\nLactofer with the demo: http://localhost:${port}  (stop with Ctrl+C)\n`)
run('Server', 'node', ['.output/server/index.mjs'], { NUXT_PUBLIC_DEMO: 'true', PORT: port })
