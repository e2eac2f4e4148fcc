// Every check of the project, in the order of how soon it tells: lint, types, unit tests, build, the real interface.
import { needChromium, run } from './steps.mjs'

needChromium()
run('Lint', 'npx', ['eslint', '.'])
run('Types', 'npm', ['run', '--silent', 'typecheck'])
run('Unit tests', 'npx', ['vitest', 'run'])
run('Build', 'npx', ['nuxt', 'build'])
run('The real interface', 'npx', ['playwright', 'test'])
