// How long one move of a slider costs at 20 components, as a share of one frame; and the pH solve alone against plain
// arithmetic.
import { bench, do_not_optimize, run, summary } from 'mitata'
import { forecastBlend, MATERIALS, mix, mixturePh, ofMaterial, withPh } from '../core/src/index.ts'

const pepper = MATERIALS.find((material) => material.id === 'fresno')
const parts = Array.from({ length: 20 }, (_, index) => {
  const material = MATERIALS[index % MATERIALS.length]
  const part = ofMaterial(material, 100 + index)
  return index % 2 ? part : { ...withPh({ ...ofMaterial(pepper, 200 + index), acidLogSd: 0.3 }, 3.6, 0.025) }
})
const mixed = mix(parts)
summary(() => {
  bench('mix 20 components', () => do_not_optimize(mix(parts)))
  bench('pH of the mixture', () => do_not_optimize(mixturePh(mixed)))
  bench('all figures with the pH band, 20 components', () => do_not_optimize(forecastBlend(parts)))
})
const { benchmarks } = await run({ format: process.env.BENCH_FORMAT ?? 'mitata' })
const last = benchmarks.at(-1).runs[0].stats
console.log(
  `\nA slider's new figures at 20 components take ${(last.p50 / 1e6).toFixed(2)} ms (median), ${((100 * last.p50) / 16.67e6).toFixed(1)} % of a 60 Hz frame; 99 in 100 under ${(last.p99 / 1e6).toFixed(2)} ms.`,
)
