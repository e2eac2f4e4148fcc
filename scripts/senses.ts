// Hidden true batches kept by eye and tongue: `npm run senses -- 100 [from]`. Resumable: kept in senses.jsonl.
import { appendFileSync, existsSync, readFileSync, writeFileSync } from 'node:fs'
import { HIDDEN_KINDS } from '../core/src'
import {
  calibrationRows,
  liveBySenses,
  SENSE_COLUMNS,
  senseRow,
  STRIPS,
  type SenseLife,
} from '../core/test/truth/bySenses'

const KEPT = 'senses.jsonl'
const [count = 100, from = 1] = process.argv
  .slice(2)
  .filter((word) => /^\d+$/.test(word))
  .map(Number)
const known = new Map<string, SenseLife & { key: string }>(
  existsSync(KEPT)
    ? readFileSync(KEPT, 'utf8')
        .split('\n')
        .filter(Boolean)
        .map((line) => JSON.parse(line) as SenseLife & { key: string })
        .map((life) => [life.key, life])
    : [],
)
if (!existsSync(KEPT)) writeFileSync(KEPT, '')
for (let seed = from; seed < from + count; seed++)
  for (const strips of STRIPS) {
    const key = `${strips} ${seed}`
    if (known.has(key)) continue
    const life = { key, ...liveBySenses(seed, strips) }
    known.set(key, life)
    appendFileSync(KEPT, `${JSON.stringify(life)}\n`)
  }
const lives = [...known.values()]
for (const strips of STRIPS) {
  const mine = lives.filter((life) => life.strips === strips)
  const rows = HIDDEN_KINDS.map((kind) =>
    senseRow(
      kind,
      mine.filter((life) => life.kind === kind),
    ),
  )
  console.log(`\nStrips: ${strips}`)
  for (const row of [
    SENSE_COLUMNS,
    SENSE_COLUMNS.map(() => '---'),
    ...rows.filter(([, n]) => n !== '0'),
    senseRow('all', mine),
  ])
    console.log(`| ${row.join(' | ')} |`)
}
console.log('\n| said | times | mean said | was |\n| --- | --- | --- | --- |')
for (const row of calibrationRows(lives)) console.log(`| ${row.join(' | ')} |`)
