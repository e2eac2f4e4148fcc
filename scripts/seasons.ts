// Hidden true batches under the advice of the application: `npm run seasons -- 40 [from] [kind,kind …]`.
// Kept by pH first, then by eye and tongue alone. Resumable: what was lived is kept in seasons.jsonl and senses.jsonl.
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
import { keptLives, printTable } from './kept'
import { liveSenses, printSenses } from './sensesRun'

const words = process.argv.slice(2).filter((word) => word !== '--')
const [count = 40, from = 1] = words.filter((word) => /^\d+$/.test(word)).map(Number)
const named = words.find((word) => !/^\d+$/.test(word))?.split(',')
const kinds = SEASON_KINDS.filter((kind) => named === undefined || named.includes(kind))
const makers = Object.keys(MAKERS) as Maker[]

const kept = keptLives<Season>('seasons.jsonl')
/** Wrong meters are tried on batches the model knows. */
const fits = (kind: SeasonKind, maker: Maker) => !maker.startsWith('meter') || kind === 'model'
for (let seed = from; seed < from + count; seed++)
  for (const kind of kinds)
    for (const maker of makers.filter((one) => fits(kind, one)))
      kept.live(`${kind}, ${maker}, ${seed}`, () => liveSeason(kind, maker, seed))
const sensed = named === undefined ? liveSenses(count, from) : []

const lives = kept.all()
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
printTable([SEASON_COLUMNS, ...rows])
if (sensed.length) printSenses(sensed)
process.exitCode = lives.some(({ unsafe }) => unsafe) ? 1 : 0
