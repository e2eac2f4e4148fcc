// Damaged files through everything that reads one: npm run fuzz -- 20000 [seed]
import { fuzz } from '../tests/fuzz'

const [count = 20_000, seed = 20] = process.argv.slice(2).map(Number).filter(Number.isFinite)
const { refused, read, found } = await fuzz(count, seed)
console.log(`${refused + read + found.length} files: ${refused} refused, ${read} read, ${found.length} findings`)
for (const { what, how, problem } of found.slice(0, 20)) console.log(`${what}, ${how}: ${problem}`)
process.exit(found.length ? 1 : 0)
