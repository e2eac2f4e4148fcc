// A log as it grows: folding it whole beside JSON.parse of the same text, one entry more, and the cellar's rows.
import { cellarRows, findRows, fold, openLedger } from '../core/src/index.ts'
import { longLog } from './longLog.mjs'
import { grows, timed, times, within } from './rows.mjs'

const OPTIONS = { untilMs: Infinity, newer: [] }

/** What one entry more costs a log that is followed. */
function onEntry(entries) {
  const ledger = openLedger()
  ledger.follow(entries, OPTIONS)
  const reading = entries.findLast(({ kind }) => kind === 'reading')
  let log = entries
  let turn = 0
  const more = () => {
    log = [...log, { ...reading, id: `7ZZZZZZZZZZZZZZZZZZZZ${String(turn++).padStart(5, '0')}` }]
    ledger.follow(log, OPTIONS)
  }
  more()
  return timed(more, { rounds: 15 })
}

for (const size of [1000, 10_000, 100_000]) {
  const entries = longLog(size)
  const text = JSON.stringify(entries)
  const parsing = timed(() => JSON.parse(text), { rounds: 3 })
  const folding = timed(() => fold(entries), { rounds: 3 })
  const more = onEntry(entries)
  grows('the whole log folded', size, folding)
  grows('one entry more', size, more)
  grows('JSON.parse of the log', size, parsing)
  if (size < 100_000) continue
  times('100,000 entries folded', folding, parsing, { name: 'JSON.parse of the same text', most: 3 })
  times('One entry more at 100,000', more, folding, { name: 'the whole log folded', most: 0.1 })
  // Each of a book that nothing was told of yet.
  const books = Array.from({ length: 5 }, () => fold(entries))
  const rows = cellarRows(fold(entries))
  const telling = timed(() => cellarRows(books.pop()), { rounds: books.length })
  within(`${rows.length.toLocaleString('en')} rows of the cellar`, telling, 50)
  within(
    'A search among them, in order',
    timed(() => findRows(rows, { text: 'red market', kind: '', place: '', order: 'first out' })),
    50,
  )
}
