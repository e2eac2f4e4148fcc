// Whether the forecast's band holds batches that are not of its own making: `npm run bands -- 100 [from]`.
import { HIDDEN_KINDS } from '../core/src'
import { COLUMNS_OF_ROW, coverageOf, rowOf } from '../core/test/truth/coverage'

const [count = 100, from = 1] = process.argv
  .slice(2)
  .filter((word) => /^\d+$/.test(word))
  .map(Number)
console.log(`| ${COLUMNS_OF_ROW.join(' | ')} |`)
console.log(`|${COLUMNS_OF_ROW.map(() => ' --- ').join('|')}|`)
for (const kind of HIDDEN_KINDS) {
  console.log(`| ${rowOf(coverageOf(kind, from, count)).join(' | ')} |`)
}
