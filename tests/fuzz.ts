import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import { uniformInt } from 'pure-rand/distribution/uniformInt'
import { demoEntries } from '#demo/scenario'
import {
  asksOf,
  fold,
  guessColumns,
  InvalidInput,
  judgeOf,
  materialsOfTable,
  mergeEntries,
  plainTell,
  readLogger,
  readRecipe,
  rowsOfTable,
  SHIPPED,
  tableOfMaterials,
  tableOfRows,
  thinLogger,
  writeFile,
  writeRecipe,
} from '@lactofer/core'
import { readLog } from '~/archive/readArchive'
import { writeArchive } from '~/archive/writeArchive'
import { cellsOf, csvOf, linesOf } from '~/composables/csv'
import { mutants, type Mutant } from './mutants'

/* Damaged files through everything that reads one. Found is what must not be: a crash, a hang, a trace left behind. */

const AT = '2026-05-04T09:00:00.000Z'
const NOW_MS = Date.parse(AT)
const demo = demoEntries(NOW_MS)
const few = demo.filter((_entry, index) => index % 4 === 0)
/** Nothing that is read may take longer than this, ms. */
const LONGEST_MS = 1000

/** One thing that went wrong. */
export interface Finding {
  what: string
  how: string
  problem: string
}

/** A file as it should be, and what reads it. */
interface Source {
  bytes: Uint8Array<ArrayBuffer>
  read: (bytes: Uint8Array<ArrayBuffer>) => Promise<unknown>
}

const textOf = (bytes: Uint8Array) => new TextDecoder().decode(bytes)
const bytesOf = (text: string) => new TextEncoder().encode(text)

/** A log that was read goes on as it would in the application: merged, folded, judged. */
async function readAndLive(bytes: Uint8Array<ArrayBuffer>): Promise<void> {
  const { entries, newer, version } = await readLog(new Blob([bytes]))
  const { added } = mergeEntries(few, entries, version > 3)
  const book = fold([...few, ...added], { newer, untilMs: NOW_MS })
  const judge = judgeOf(book)
  for (const lot of book.lots.values()) {
    judge(lot.id, NOW_MS)
    if (lot.state === 'fermenting') asksOf(book, judge, lot, NOW_MS, undefined, plainTell)
  }
}

async function sources(): Promise<Record<string, Source>> {
  const pieces: Uint8Array<ArrayBuffer>[] = []
  const target = new WritableStream<Uint8Array<ArrayBuffer>>({ write: (piece) => void pieces.push(piece.slice()) })
  const picture = () => Promise.resolve(new Blob([new Uint8Array(900).fill(3)], { type: 'image/png' }))
  const source = { entries: few, newer: [], pictureIds: [few[0]!.id], picture }
  await writeArchive(source, target, { writtenAt: AT, world: 'metric' })
  const photos = [{ id: few[0]!.id, type: 'image/png' as const, data: 'iVBORw0KGgo=' }]
  const recipe = fold(demo).recipes[0]!
  const plan = demo.find((entry) => entry.kind === 'plan')!
  const logger = [
    'Time;Temperature °C;pH',
    ...Array.from(
      { length: 60 },
      (_, hour) =>
        `0${1 + Math.floor(hour / 24)}.05.2026 ${String(hour % 24).padStart(2, '0')}:00;2${hour % 7},5;4,${hour % 9}`,
    ),
  ]
  return {
    archive: { bytes: new Uint8Array(await new Blob(pieces).arrayBuffer()), read: readAndLive },
    'open file': { bytes: bytesOf(writeFile(few, AT, photos)), read: readAndLive },
    recipe: { bytes: bytesOf(writeRecipe(recipe, AT)), read: async (bytes) => readRecipe(textOf(bytes)) },
    rows: {
      bytes: bytesOf(csvOf(tableOfRows(plan.rows))),
      read: async (bytes) => rowsOfTable(linesOf(textOf(bytes)), SHIPPED),
    },
    materials: {
      bytes: bytesOf(csvOf(tableOfMaterials(SHIPPED.materials.slice(0, 12)))),
      read: async (bytes) => materialsOfTable(linesOf(textOf(bytes)), SHIPPED, AT),
    },
    logger: {
      bytes: bytesOf(logger.join('\n')),
      read: async (bytes) => {
        const cells = cellsOf(textOf(bytes))
        return thinLogger(readLogger(cells, guessColumns(cells)).points)
      },
    },
  }
}

/** What a field of JSON may be changed to. */
const CHANGED: readonly unknown[] = [
  ...[null, true, -1, 0, 1e300, '', 'x', 'é'.repeat(3000), [], {}, [[[]]], '__proto__', '<script>', 'NaN'],
  ...[AT, '01K00000000000000000000000', { id: 1 }, Array(200).fill({ deep: {} })],
]

/** A JSON file with one value in it changed, left out, doubled or renamed: what bytes alone seldom reach. */
function changedJson(text: string, pick: (low: number, high: number) => number): string {
  const root = JSON.parse(text) as object
  const places: [object, string][] = []
  const walk = (value: unknown) => {
    if (typeof value !== 'object' || value === null) return
    for (const [key, part] of Object.entries(value)) {
      places.push([value, key])
      walk(part)
    }
  }
  walk(root)
  const [parent, key] = places[pick(0, places.length - 1)]!
  const holder = parent as Record<string, unknown>
  const other = places[pick(0, places.length - 1)]!
  const ways = [
    () => (holder[key] = CHANGED[pick(0, CHANGED.length - 1)]),
    () => Reflect.deleteProperty(holder, key),
    () => (holder[key] = structuredClone((other[0] as Record<string, unknown>)[other[1]])),
    () => (holder[`${key}_`] = holder[key]),
    () => (holder.version = pick(0, 9)),
  ]
  ways[pick(0, ways.length - 1)]!()
  return JSON.stringify(root)
}

async function* damaged(name: string, { bytes }: Source, count: number, seed: number): AsyncGenerator<Mutant> {
  const json = name === 'open file' || name === 'recipe'
  yield* mutants(bytes, json ? Math.ceil(count / 2) : count, seed)
  if (!json) return
  const chance = xoroshiro128plus(seed + 1)
  for (let index = 0; index < Math.floor(count / 2); index++)
    yield {
      how: 'a value',
      bytes: bytesOf(changedJson(textOf(bytes), (low, high) => uniformInt(chance, low, high))),
    }
}

/** Runs so many damaged files through every reader. Returns how many were refused and read, and what went wrong. */
export async function fuzz(count: number, seed: number): Promise<{ refused: number; read: number; found: Finding[] }> {
  const all = Object.entries(await sources())
  const found: Finding[] = []
  let [refused, read] = [0, 0]
  for (const [what, source] of all) {
    await source.read(source.bytes)
    for await (const { how, bytes } of damaged(what, source, Math.ceil(count / all.length), seed)) {
      const timed = async () => {
        const started = performance.now()
        const answer = await source.read(bytes).then(
          () => 'read' as const,
          (error: unknown) => (error instanceof InvalidInput ? ('refused' as const) : String(error)),
        )
        return { answer, ms: performance.now() - started }
      }
      const { answer, ms } = await timed()
      if (answer === 'read') read++
      else if (answer === 'refused') refused++
      else found.push({ what, how, problem: answer })
      // The machine may pause once; a file that makes it wait does so twice.
      if (ms > LONGEST_MS && (await timed()).ms > LONGEST_MS) found.push({ what, how, problem: `${Math.round(ms)} ms` })
      if ('polluted' in {} || (Object.prototype as { bad?: 1 }).bad) found.push({ what, how, problem: 'pollution' })
    }
  }
  return { refused, read, found }
}
