// Hidden true batches under the advice of the application: `npm run seasons -- 40 [from] [kind,kind …]`.
// Resumable: what was lived is kept in seasons.jsonl of the working folder and not lived again.
import { appendFileSync, existsSync, readFileSync, writeFileSync } from 'node:fs'
import {
  isMisled,
  liveSeason,
  MAKERS,
  SEASON_KINDS,
  SEASON_COLUMNS,
  seasonRow,
  type Maker,
  type Season,
  type SeasonKind,
} from '../core/test/truth/season'

const KEPT = 'seasons.jsonl'
const words = process.argv.slice(2).filter((word) => word !== '--')
const [count = 40, from = 1] = words.filter((word) => /^\d+$/.test(word)).map(Number)
const named = words.find((word) => !/^\d+$/.test(word))?.split(',')
const kinds = SEASON_KINDS.filter((kind) => named === undefined || named.includes(kind))
const makers = Object.keys(MAKERS) as Maker[]

interface Kept extends Season {
  key: string
}
const known = new Map<string, Kept>(
  existsSync(KEPT)
    ? readFileSync(KEPT, 'utf8')
        .split('\n')
        .filter(Boolean)
        .map((line) => JSON.parse(line) as Kept)
        .map((life) => [life.key, life])
    : [],
)
if (!existsSync(KEPT)) writeFileSync(KEPT, '')
/** Wrong meters are tried on batches the model knows. */
const fits = (kind: SeasonKind, maker: Maker) => !maker.startsWith('meter') || kind === 'model'
for (let seed = from; seed < from + count; seed++)
  for (const kind of kinds)
    for (const maker of makers.filter((one) => fits(kind, one))) {
      const key = `${kind}, ${maker}, ${seed}`
      if (known.has(key)) continue
      const life = { key, ...liveSeason(kind, maker, seed) }
      known.set(key, life)
      appendFileSync(KEPT, `${JSON.stringify(life)}\n`)
    }

const lives = [...known.values()]
const fair = lives.filter((life) => !isMisled(life))
const rows = [
  ...SEASON_KINDS.map((kind) =>
    seasonRow(
      kind,
      lives.filter((life) => life.kind === kind && !life.maker.startsWith('meter')),
    ),
  ),
  ...makers.map((maker) =>
    seasonRow(
      `read by: ${maker}`,
      lives.filter((life) => life.maker === maker && (maker.startsWith('meter') || !isMisled(life))),
    ),
  ),
  seasonRow('all that could be known', fair),
  seasonRow('all', lives),
]
for (const row of [SEASON_COLUMNS, SEASON_COLUMNS.map(() => '---'), ...rows]) console.log(`| ${row.join(' | ')} |`)
process.exitCode = lives.some(({ unsafe }) => unsafe) ? 1 : 0
