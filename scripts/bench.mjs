// Speeds and sizes, by hand: figures of this machine and this run.
import { existsSync } from 'node:fs'
import { run } from './steps.mjs'

if (!existsSync('.output/server/index.mjs')) run('Build', 'npx', ['nuxt', 'build'])
run('Blend bench', 'npx', ['vite-node', 'benchmarks/blend.bench.mjs'])
run('Blend beside SciPy and C', 'npx', ['vite-node', 'benchmarks/mix.bench.mjs'])
run('Plan', 'npx', ['vite-node', 'benchmarks/plan.bench.mjs'])
run('Ferment', 'npx', ['vite-node', 'benchmarks/ferment.bench.mjs'])
run('A long log', 'npx', ['vite-node', 'benchmarks/log.bench.mjs'])
run('Reading to forecast', 'node', ['benchmarks/readingToForecast.mjs'])
run('Slider', 'node', ['benchmarks/slider.mjs'])
run('First load', 'node', ['benchmarks/firstLoad.mjs'])
run('Pages on a long log', 'node', ['benchmarks/longPages.mjs'])
