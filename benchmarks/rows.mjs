// Rows of the one table of speeds. A benchmark says what it measured, beside what, and what was asked; the script that
// runs them all (scripts/bench.mjs) lays the rows together.
import { appendFileSync } from 'node:fs'

/** Runs work so many times, one turn after the other, and gives the shortest of the rounds in milliseconds. */
export function timed(work, { rounds = 5, turns = 1 } = {}) {
  let best = Infinity
  for (let round = 0; round < rounds; round++) {
    const from = performance.now()
    for (let turn = 0; turn < turns; turn++) work()
    best = Math.min(best, (performance.now() - from) / turns)
  }
  return best
}

/** What the loop below takes where the first figures were measured, two shared cores with nothing else to do. */
const REFERENCE_MS = 66
/** A loop of plain arithmetic: how fast this machine is at this moment. */
function plainLoop() {
  let sum = 0
  for (let turn = 1; turn < 8_000_000; turn++) sum += Math.sqrt(turn) / (sum + 1)
  return sum
}
/** How many times slower than that machine this one is now. */
export function slowness() {
  plainLoop()
  return timed(plainLoop, { rounds: 3 }) / REFERENCE_MS
}

/** Writes a row down; without the script that lays them together it is only printed. */
function tell(row) {
  if (process.env.BENCH_ROWS) appendFileSync(process.env.BENCH_ROWS, `${JSON.stringify(row)}\n`)
  console.log(
    `${row.kept ? 'kept  ' : row.kept === null ? '–     ' : 'BROKEN'} ${row.what}: ${row.here}, ${row.beside} (${row.asked})`,
  )
}

const figure = (value) => (value >= 100 ? value.toFixed(0) : value >= 10 ? value.toFixed(1) : value.toFixed(2))

/** So many times something measured in the same run, at most (or, with `atLeast`, at least); else only told. */
export function times(what, here, beside, { unit = 'ms', name, most, atLeast }) {
  const ratio = atLeast ? beside / here : here / beside
  const kept = atLeast ? ratio >= atLeast : most ? ratio <= most : null
  const asked = atLeast ? `at least ${atLeast} times as fast` : most ? `at most ${most} times` : '–'
  tell({
    ...{ what, here: `${figure(here)} ${unit}`, beside: `${name}: ${figure(beside)} ${unit}` },
    ...{ ratio: `${figure(ratio)} ${atLeast ? 'times as fast' : 'times'}`, asked, kept },
  })
}

/**
 * Milliseconds beside the plain loop of the same run: a slow machine is allowed as much more time; on a fast one the
 * limit is what was asked.
 */
export function within(what, ms, mostMs) {
  const slow = slowness()
  const allowedMs = mostMs * Math.max(1, slow)
  tell({
    ...{
      what,
      here: `${figure(ms)} ms`,
      beside: `this machine now: ${figure(slow)} times as slow as where it was set`,
    },
    ...{
      ratio: `${figure(ms / allowedMs)} of the limit`,
      asked: `at most ${figure(mostMs)} ms`,
      // A clock that is set back while something is measured measured nothing.
      kept: ms >= 0 && ms <= allowedMs,
    },
  })
}

/** The middle of several turns. */
export const middle = (turns) => [...turns].sort((a, b) => a - b)[Math.floor(turns.length / 2)]

/** Milliseconds that are only told. */
export const told = (what, ms) =>
  tell({ what, here: `${figure(ms)} ms`, beside: '–', ratio: '–', asked: '–', kept: null })

/**
 * The middle of several turns, within milliseconds: what the machine does beside it is not in most of them. The worst
 * of them is told.
 */
export function withinMiddle(what, turns, mostMs) {
  within(what, middle(turns), mostMs)
  told(`… in the worst of ${turns.length} turns`, Math.max(...turns))
}

/** Kilobytes, whatever the machine. */
export const sized = (what, kb, mostKb) =>
  tell({
    ...{ what, here: `${kb.toFixed(0)} KB`, beside: '–', ratio: `${figure(kb / mostKb)} of the limit` },
    ...{ asked: `at most ${mostKb} KB`, kept: kb <= mostKb },
  })

/** What could not be measured here, and why: neither kept nor broken. */
export const skipped = (what, why) =>
  tell({ what, here: 'not measured', beside: why, ratio: '–', asked: '–', kept: null })

/** A point of how something grows, for the picture: the panel is named by what there is more of. */
export function grows(line, size, ms, panel = 'entries in the log') {
  if (process.env.BENCH_ROWS) appendFileSync(process.env.BENCH_ROWS, `${JSON.stringify({ line, size, ms, panel })}\n`)
  console.log(`       ${line}, ${size}: ${figure(ms)} ms`)
}
