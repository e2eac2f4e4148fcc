// Every check of the project, in the order of how soon it tells: lint, types, unit tests, build, the real interface.
import { needChromium, run, runBeside } from './steps.mjs'

needChromium()
run('Lint', 'npx', ['eslint', '.'])
// Unit tests touch nothing that types and build write: they run beside them.
await Promise.all([
  runBeside('Unit tests', 'npx', ['vitest', 'run']),
  runBeside('Types', 'npm', ['run', '--silent', 'typecheck']).then(() => runBeside('Build', 'npx', ['nuxt', 'build'])),
])
run('The real interface', 'npx', ['playwright', 'test'])
