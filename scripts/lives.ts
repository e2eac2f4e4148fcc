// Random lives through the judge and through the oracle: `npm run lives -- 100000 [from]`.
import { live } from '../core/test/judge/lives'

const [count = 10_000, from = 1] = process.argv
  .slice(2)
  .filter((word) => /^\d+$/.test(word))
  .map(Number)
const begun = performance.now()
const { lives, verdicts, unsafe, stricter, twoPages, sound, soundDiscarded, states } = live(from, count)
const seconds = (performance.now() - begun) / 1000
console.log(`${lives} lives, ${verdicts} verdicts, ${seconds.toFixed(0)} s`)
console.log(`unsafe verdicts: ${unsafe.length}`)
console.log(`stricter than the oracle: ${stricter}`)
console.log(`two pages that say different things: ${twoPages.length}`)
console.log(`sound lots thrown away on their acid: ${soundDiscarded} of ${sound}`)
console.log(`states: ${JSON.stringify(states)}`)
for (const told of [...unsafe, ...twoPages].slice(0, 20)) console.log(told)
process.exitCode = unsafe.length + twoPages.length + stricter > 0 ? 1 : 0
