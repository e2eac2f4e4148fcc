// How long one move of a slider costs at 20 components, as a share of one frame; and the pH solve alone against plain
// arithmetic.
import { forecastBlend, MATERIALS, ofMaterial, withPh } from '../core/src/index.ts'
import { timed, within } from './rows.mjs'

const pepper = MATERIALS.find((material) => material.id === 'fresno')
const parts = Array.from({ length: 20 }, (_, index) => {
  const material = MATERIALS[index % MATERIALS.length]
  const part = ofMaterial(material, 100 + index)
  return index % 2 ? part : { ...withPh({ ...ofMaterial(pepper, 200 + index), acidLogSd: 0.3 }, 3.6, 0.025) }
})
within(
  'All figures of 20 components with the band of pH',
  timed(() => forecastBlend(parts), { turns: 20 }),
  4,
)
