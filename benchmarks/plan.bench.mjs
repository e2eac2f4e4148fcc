// What a plan costs: figures for 40 rows against the 4 ms asked for, the choice among 60 vessels against 100 ms; both
// beside plain arithmetic in the same run.
import { bench, do_not_optimize, run, summary } from 'mitata'
import { chooseVessels, fold, MATERIALS, planFigures } from '../core/src/index.ts'

const book = fold([])
const produce = MATERIALS.filter((material) => ['pepper', 'vegetable', 'fruit'].includes(material.kind))
const rows = Array.from({ length: 40 }, (_, index) => {
  const material = produce[(index * 3) % produce.length]
  return {
    materialId: material.id,
    name: material.name,
    massG: 100 + 7 * index,
    preparation: index % 5 ? 'raw' : 'roasted',
    seedsOut: index % 2 === 0,
  }
})
const plan = { style: 'brined', rows, waterG: 4000, saltPct: 3.5, saltBasis: 'everything' }
const vessels = Array.from({ length: 60 }, (_, index) => ({ id: `v${index}`, capacityMl: 337 + 173 * index, count: 1 }))
summary(() => {
  bench('sum of 40 weights', () => do_not_optimize(rows.reduce((sum, row) => sum + row.massG, 0)))
  bench('figures of a plan with 40 rows', () => do_not_optimize(planFigures(book, plan)))
  bench('choice among 60 vessels, all sizes odd', () => do_not_optimize(chooseVessels(140_000, vessels, 0.75)))
})
const { benchmarks } = await run({ format: process.env.BENCH_FORMAT ?? 'mitata' })
const median = (index) => benchmarks.at(index).runs[0].stats.p50 / 1e6
console.log(
  `\nA plan of 40 rows takes ${median(-2).toFixed(2)} ms (median; 4 ms asked), the choice among 60 vessels ${median(-1).toFixed(1)} ms (100 ms asked), ${(median(-2) / median(-3)).toFixed(0)} and ${(median(-1) / median(-3)).toFixed(0)} times a bare sum.`,
)
