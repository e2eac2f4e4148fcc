// Faults planted in a copy of the judge, one at a time: each has to be caught by lives or by the named faults.
// `npm run mutations`; a number plants only that one.
import { cpSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { spawnSync } from 'node:child_process'

const HERE = '.mutants'
const J = 'core/src/judge'
/** Name, file, what stands there, what is planted. */
const MUTANTS = [
  [
    'a flipped comparison: over at the limit',
    `${J}/passing.ts`,
    'spent >= this.of.limit) this.over',
    'spent < this.of.limit) this.over',
  ],
  ['a reading past its time forgotten', `${J}/passing.ts`, 'this.over = { sample, spent }', 'this.over = null'],
  ['undone never', `${J}/passing.ts`, 'if (this.passed && lowerEnd(sample) > PH_LINE + SLACK) this.passed = null', ''],
  [
    'a newest reading above is nothing',
    `${J}/passing.ts`,
    'this.above = this.passed && high ? sample : null',
    'this.above = null',
  ],
  ['one strip at 4.1 proves', `${J}/passing.ts`, 'one: 4.0', 'one: 4.1'],
  ['two at once prove', `${J}/passing.ts`, 'const APART_H = 12', 'const APART_H = 0'],
  [
    'the late end is the likely one',
    `${J}/passing.ts`,
    'late: inside(afterMs, this.crossing?.lateMs',
    'late: inside(afterMs, this.crossing?.likelyMs',
  ],
  [
    'most likely passed before a reading above the line',
    `${J}/passing.ts`,
    'inside(this.aboveMs, this.crossing.likelyMs)',
    'inside(this.of.begin.atMs, this.crossing.likelyMs)',
  ],
  [
    'what is put in forgives all that was spent',
    `${J}/passing.ts`,
    'if (this.passed) this.forgiven = this.of.spentAt(ms) - this.ends(this.passed).late',
    'this.forgiven = this.of.spentAt(ms)',
  ],
  [
    'calibrated afterwards counts',
    'core/src/log/trust.ts',
    'return hours >= 0 ? hours : null',
    'return Math.abs(hours)',
  ],
  [
    'slope not looked at',
    'core/src/log/trust.ts',
    'calibrated <= BENCH_TRUST_H && good',
    'calibrated <= BENCH_TRUST_H',
  ],
  ['salt lengthens from nothing', 'core/src/ferment/clock.ts', 'plain: 4.5', 'plain: 1'],
  ['the saltiest counts, not the weakest', `${J}/history.ts`, 'Math.min(...salt.filter', 'Math.max(...salt.filter'],
  [
    'the first reading is held backwards',
    'core/src/makeup/temperature.ts',
    'fromC: stepC, toC: stepC, assumed',
    'fromC: first?.tempC ?? stepC, toC: first?.tempC ?? stepC, assumed',
  ],
  [
    'pieces have no time of their own',
    `${J}/reckon.ts`,
    "limit: history.pieces && of === 'blended' ? PIECES_TIMES : 1",
    'limit: 9',
  ],
  [
    'liquid stands for pieces',
    `${J}/history.ts`,
    "blended: acidity.filter(({ of, ph, atMs }) => of === 'blended' || atMs >= agreedMs || ph > PH_LINE)",
    'blended: acidity',
  ],
  [
    'a dropped sign',
    `${J}/openSigns.ts`,
    "if (level === 'discard') return once('bad sign')",
    "if (level === 'discard') return []",
  ],
  ['anything later settles a sign', `${J}/openSigns.ts`, 'later.sign === sign.sign &&', ''],
  ['cannot tell settles a sign', `${J}/openSigns.ts`, "!answers.includes('unsure')", 'true'],
  ['a forgotten ancestor', `${J}/lineage.ts`, 'if (ruleFor(reason).goesOn) told', 'if (false) told'],
  [
    'mould seen later is forgotten',
    `${J}/lineage.ts`,
    "filter(({ code }) => code === 'bad sign')",
    'filter(() => false)',
  ],
  ['jars not asked for', `${J}/lineage.ts`, 'jars.filter(({ read }) => !read)', 'jars.filter(() => false)'],
  [
    'a base begins under, proven or not',
    `${J}/reckon.ts`,
    "if (made.kind !== 'blend') return sourcesUnder",
    "if (made.kind !== 'blend') return true",
  ],
  ['ready without a day between', `${J}/fermenting.ts`, 'one.atMs <= now.atMs - DAY_MS', 'one.atMs < now.atMs'],
  ['ready without acid of its own', `${J}/fermenting.ts`, 'if (!fermented(history, now, atMs))', 'if (false)'],
  ['put in since, and nobody asks', `${J}/fermenting.ts`, 'return readSince ? []', 'return true ? []'],
  ['weak salt from one percent', 'core/src/salt/least.ts', 'usual: 2, strongStarter', 'usual: 1, strongStarter'],
  ['a rise unseen', `${J}/fermenting.ts`, 'last.ph - lowest > riseAsks(last.sd)', 'last.ph - lowest > 9'],
  [
    'time over and unread is on its way',
    `${J}/fermenting.ts`,
    'times !== null && !liquid.passed && liquid.spent >= 1',
    'false',
  ],
]

const only = process.argv.slice(2).map(Number).filter(Boolean)
rmSync(HERE, { recursive: true, force: true })
mkdirSync(`${HERE}/scripts`, { recursive: true })
for (const part of ['core', 'demo'])
  cpSync(part, `${HERE}/${part}`, { recursive: true, filter: (path) => !path.includes('node_modules') })
for (const file of ['scripts/lives.ts', 'vitest.config.ts', 'package.json']) cpSync(file, `${HERE}/${file}`)

const quiet = (command, args) => spawnSync(command, args, { cwd: HERE, encoding: 'utf8' })
const missed = []
MUTANTS.forEach(([name, file, from, to], index) => {
  if (only.length && !only.includes(index + 1)) return
  const path = `${HERE}/${file}`
  const sound = readFileSync(path, 'utf8')
  if (!sound.includes(from)) throw new Error(`${name}: "${from}" does not stand in ${file}.`)
  writeFileSync(
    path,
    sound.replace(from, () => to),
  )
  const lives = quiet('npx', ['vite-node', 'scripts/lives.ts', '--', '1500'])
  const told = /unsafe verdicts: (\d+)\nstricter than the oracle: (\d+)/.exec(lives.stdout)
  let caught =
    lives.status === 0 ? null : told ? `lives: ${told[1]} unsafe, ${told[2]} stricter` : 'lives: it does not run'
  if (!caught && quiet('npx', ['vitest', 'run', 'core/test/judge/faults.test.ts']).status !== 0)
    caught = 'the named faults'
  console.log(
    `${String(index + 1).padStart(2)} ${caught ? 'caught' : 'MISSED'}  ${name}${caught ? ` (${caught})` : ''}`,
  )
  if (!caught) missed.push(name)
  writeFileSync(path, sound)
})
rmSync(HERE, { recursive: true, force: true })
console.log(missed.length ? `${missed.length} missed` : 'All were caught.')
process.exitCode = missed.length ? 1 : 0
