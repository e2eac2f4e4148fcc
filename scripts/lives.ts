// Random lives of a batch, and histories of many, through judge and oracles: `npm run lives -- 100000 [from]`.
import { tell } from '../core/test/judge/histories'
import { live } from '../core/test/judge/lives'

const [count = 10_000, from = 1] = process.argv
  .slice(2)
  .filter((word) => /^\d+$/.test(word))
  .map(Number)
const begun = performance.now()
const { lives, verdicts, unsafe, stricter, twoPages, sound, soundDiscarded, states } = live(from, count)
const lived = performance.now()
const told = tell(from, count)
const seconds = (fromMs: number, toMs: number) => ((toMs - fromMs) / 1000).toFixed(0)
console.log(`${lives} lives, ${verdicts} verdicts, ${seconds(begun, lived)} s`)
console.log(`milder than the oracle: ${unsafe.length}, stricter: ${stricter}`)
console.log(`two pages that say different things: ${twoPages.length}`)
console.log(`sound lots thrown away on their acid: ${soundDiscarded} of ${sound}`)
console.log(`states: ${JSON.stringify(states)}`)
console.log(`${count} histories, ${told.verdicts} verdicts, ${seconds(lived, performance.now())} s`)
console.log(`milder than portion by portion: ${told.milder.length}, stricter: ${told.stricter.length}`)
console.log(`states: ${JSON.stringify(told.states)}`)
const differ = [...unsafe, ...twoPages, ...told.milder, ...told.stricter]
for (const sentence of differ.slice(0, 20)) console.log(sentence)
process.exitCode = differ.length + stricter > 0 ? 1 : 0
