// Hidden true batches kept by eye and tongue: `npm run senses -- 100 [from] [none]`. Resumable: kept in senses.jsonl.
import { STRIPS } from '../core/test/truth/bySenses'
import { liveSenses, printSenses } from './sensesRun'

const words = process.argv.slice(2)
const [count = 100, from = 1] = words.filter((word) => /^\d+$/.test(word)).map(Number)
const named = STRIPS.filter((strips) => words.includes(strips))
printSenses(liveSenses(count, from, named.length ? named : STRIPS))
