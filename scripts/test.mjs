// Every check of the project, in the order of how soon it tells: lint beside unit tests, types, build, the real
// interface.
import { needAll, run, runBeside } from './steps.mjs'

needAll()
// Lint and unit tests touch nothing that types and build write: they run beside them, one a core.
await Promise.all([
  runBeside('Licences', 'node', ['scripts/licences.mjs', '--check']),
  runBeside('Lint', 'npm', ['run', '--silent', 'lint']).then(() => runBeside('Unit tests', 'npx', ['vitest', 'run'])),
  runBeside('Types', 'npm', ['run', '--silent', 'typecheck']).then(() => runBeside('Build', 'npx', ['nuxt', 'build'])),
])
run('The real interface', 'npx', ['playwright', 'test'])
