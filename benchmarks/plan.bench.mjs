// What a plan costs: figures for 40 rows against the 4 ms asked for, the choice among 60 vessels against 100 ms; both
// beside plain arithmetic in the same run.
import { chooseVessels, fold, MATERIALS, planFigures } from '../core/src/index.ts'
import { timed, within } from './rows.mjs'

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
const planning = timed(() => planFigures(book, plan), { turns: 20 })
within('Figures of a plan with 40 rows', planning, 4)
within(
  'Choice among 60 vessels, all sizes odd',
  timed(() => chooseVessels(140_000, vessels, 0.75)),
  100,
)
