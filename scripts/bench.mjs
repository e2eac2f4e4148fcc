// Speeds and sizes, by hand: figures of this machine and this run.
import { existsSync } from 'node:fs'
import { run } from './steps.mjs'

if (!existsSync('.output/server/index.mjs')) run('Build', 'npx', ['nuxt', 'build'])
run('Blend bench', 'npx', ['vite-node', 'bench/blend.bench.mjs'])
run('Blend beside SciPy and C', 'npx', ['vite-node', 'bench/mix.bench.mjs'])
run('Plan', 'npx', ['vite-node', 'bench/plan.bench.mjs'])
run('Ferment', 'npx', ['vite-node', 'bench/ferment.bench.mjs'])
run('A long log', 'npx', ['vite-node', 'bench/log.bench.mjs'])
run('Reading to forecast', 'node', ['bench/readingToForecast.mjs'])
run('Slider', 'node', ['bench/slider.mjs'])
run('First load', 'node', ['bench/firstLoad.mjs'])
run('Pages on a long log', 'node', ['bench/longPages.mjs'])
