// A log of 100,000 entries: folding it against JSON.parse of the same text in the same run (3 times asked); the
// cellar's 5,000 rows found and put in order.
import { bench, do_not_optimize, run, summary } from 'mitata'
import { cellarRows, findRows, fold } from '../core/src/index.ts'
import { longLog } from './longLog.mjs'

const text = JSON.stringify(longLog(100_000))
const entries = JSON.parse(text)
const book = fold(entries)
const rows = cellarRows(book)
console.log(
  `${entries.length} entries, ${(text.length / 1e6).toFixed(1)} MB, ${book.lots.size} lots, ${rows.length} rows in the cellar.`,
)
summary(() => {
  bench('JSON.parse of the log', () => do_not_optimize(JSON.parse(text)))
  bench('fold of the log', () => do_not_optimize(fold(entries)))
  bench('rows of the cellar', () => do_not_optimize(cellarRows(book)))
  bench('a search among them, in order', () =>
    do_not_optimize(findRows(rows, { text: 'red market', kind: '', place: '', order: 'first out' })),
  )
})
const { benchmarks } = await run({ format: process.env.BENCH_FORMAT ?? 'mitata' })
const median = (index) => benchmarks.at(index).runs[0].stats.p50 / 1e6
console.log(
  `\nFolding takes ${(median(-3) / median(-4)).toFixed(2)} times JSON.parse (3 asked): ${median(-3).toFixed(0)} and ${median(-4).toFixed(0)} ms. Rows of the cellar ${median(-2).toFixed(1)} ms, a search ${median(-1).toFixed(1)} ms.`,
)
