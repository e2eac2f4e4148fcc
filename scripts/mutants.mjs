// Faults that `npm run mutations` plants: name, file, the text there, the text planted in its place.

const J = 'core/src/judge'
/** Of the judge. */
export const JUDGE = [
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
    'if (this.passed) this.steps.push({ fromMs: ms, more: this.ends(this.passed).late - this.of.spentAt(ms) })',
    'this.steps.push({ fromMs: ms, more: -this.of.spentAt(ms) })',
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
  ['a forgotten ancestor', `${J}/lineage.ts`, 'return always || (', 'return ('],
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

/**
 * Faults in the application: forms, stores, storage, what devices share. Each has to be caught by a unit or component
 * test.
 */
const FORMS = 'app/forms'
const STORES = 'app/stores'
const DB = 'app/db'
const LINK = 'app/link'
export const APPLICATION = [
  ['a code that is on another lot is taken', `${FORMS}/problems.ts`, 'return taken(code) ?', 'return false ?'],
  ['water counts for a mash', `${FORMS}/planForm.ts`, 'if (!takesWater(kind)) return 0', ''],
  ['more is pressed than the lot holds', `${FORMS}/pressForm.ts`, 'if ((form.inG ?? 0) > leftG * TARE)', 'if (false)'],
  [
    'more bottles than there is sauce for',
    `${FORMS}/runForm.ts`,
    'const tooMany = count !== null && count > limits.most',
    'const tooMany = false',
  ],
  ['the cold may be warm', `${FORMS}/decideForm.ts`, "what === 'cold' && form.tempC > COLD_C", 'false'],
  ['one jar that is eaten ends all of them', `${FORMS}/endForm.ts`, '...(jars && { marks: jars }),', ''],
  ['the jar is weighed with what is in it', `${FORMS}/weighDraft.ts`, 'grossG - tareG', 'grossG'],
  ['what went into one jar went into all', `${FORMS}/putIn.ts`, '...(form.mark && { marks: [form.mark] }),', ''],
  [
    'undo says so and writes nothing',
    `${STORES}/round.ts`,
    'if (drafts.length && (await wrote(drafts)))',
    'if (drafts.length)',
  ],
  ['a rest of fifteen seconds', `${STORES}/timers.ts`, 'minutes * MINUTE_MS', 'minutes * 1000'],
  [
    'the first calibration of a meter counts, not the last',
    `${STORES}/instruments.ts`,
    "if (entry.kind === 'calibrate') newest",
    "if (entry.kind === 'calibrate' && !newest.has(entry.meter)) newest",
  ],
  [
    'the other world keeps the units of this one',
    `${STORES}/preferences.ts`,
    "choose('units', {})]",
    "choose('units', choices.value.units)]",
  ],
  ['no archive after a release', `${STORES}/backup.ts`, ' || own.value.releases > last.value.releases', ''],
  ['an entry is kept that was never parsed', `${DB}/journal.ts`, 'entries.map(ownEntry)', '[...entries]'],
  ['old entries are taken out and bound nowhere', `${DB}/journal.ts`, 'await bind(old)\n    await', 'await'],
  ['the second copy remembers the demo', `${DB}/secondCopy.ts`, '...entries.filter(isOwn).map(', '...entries.map('],
  ['no gate for writes', `${DB}/gate.ts`, "mode === 'readwrite' && !tables.includes(store)", 'false'],
  [
    'recorded in the database only',
    `${STORES}/keeping.ts`,
    'await copy.write(() => copyEntries(entries))\n      void',
    'void',
  ],
  ['what was typed last goes with the page', `${DB}/unsaved.ts`, 'place?.setItem(PREFIX + key, text)', ''],
  [
    'the demo is passed on to other devices',
    `${LINK}/exchange.ts`,
    "entries.filter(({ id, origin }) => origin === 'maker' && open(id))",
    'entries.filter(({ id }) => open(id))',
  ],
  [
    'a server that is down is taken for a refusal',
    `${LINK}/wire.ts`,
    'if (!said.success || answer.status >= 500)',
    'if (!said.success)',
  ],
  ['a torn line stays in the shared file', `${LINK}/folder.ts`, 'await out.truncate(position)', ''],
  ['a damaged archive is read', 'app/archive/readArchive.ts', ' || sealed.hex() !== said.sha256', ''],
]

const M = 'core/src/makeup'
const KEEP = 'core/src/keep'
const BLEND = 'core/src/blend'
/** Outside the judge: make-up, fold, heat, bottles, blend, amounts, instruments. */
export const CORE = [
  ['a place’s reading counts seventy days', `${M}/temperature.ts`, '7 * DAY_MS', '70 * DAY_MS'],
  [
    'the first salt reading counts, not the last',
    `${M}/lotComposition.ts`,
    'const salt = between.findLast((reading)',
    'const salt = between.find((reading)',
  ],
  ['what was tried stays in the jar', 'core/src/lots/fold.ts', 'sum + flow.massG, triedG)', 'sum + flow.massG, 0)'],
  [
    'a pH that is not sure is taken for sure where the acid is not known',
    `${BLEND}/forecast.ts`,
    'if (part.phSd > 0) {',
    'if (part.phSd > 0 && part.acidLogSd === 0) {',
  ],
  ['and a quarter is and a half', 'core/src/amount/reader.ts', 'return value + 0.25', 'return value + 0.5'],
  [
    'readings together are as sure as the worst',
    'core/src/ferment/readings.ts',
    'Math.min(near.sd',
    'Math.max(near.sd',
  ],
  ['an offset of −80 mV is fine', 'core/src/instruments/calibration.ts', 'Math.abs(offsetMv) <=', 'offsetMv <='],
  ['a part is as much as its lot', `${M}/lotComposition.ts`, 'source && ofMass(source, row.massG)', 'source'],
  [
    'what ran over is still there',
    `${M}/lotComposition.ts`,
    'if (change.lost) now = ranOver',
    'if (false) now = ranOver',
  ],
  ['sugar is not eaten', `${M}/lotComposition.ts`, 'start.sugarG.typical - taken', 'start.sugarG.typical'],
  [
    'a stock as it was bought, whatever was read',
    `${M}/lotComposition.ts`,
    'measured ? withPh(salted',
    'false ? withPh(salted',
  ],
  ['a pot is alive after it was cooked', `${M}/lotComposition.ts`, 'now.live && !wasHeated(lot, until.ms)', 'now.live'],
  ['heat from before it was poured', `${M}/heatProcess.ts`, 'Date.parse(at) >= sinceMs)', 'true)'],
  ['a pot cooked a week ago', `${M}/heatProcess.ts`, 'COOKED_MS = 2 * DAY_MS', 'COOKED_MS = 20 * DAY_MS'],
  ['heat of a later cook', `${M}/heatProcess.ts`, 'Date.parse(at) <= runMs && runMs', 'runMs'],
  [
    'the hotter of two last bottles',
    `${M}/heatProcess.ts`,
    'filledC(after) < filledC(before)',
    'filledC(after) > filledC(before)',
  ],
  ['kept by a plan to cook it', `${M}/heated.ts`, 'lastBottleC(book, made, blend) >= FILL_LEAST_C', 'true'],
  ['lethality over a gap', `${KEEP}/lethality.ts`, 'LONGEST_GAP_MIN = 5', 'LONGEST_GAP_MIN = 50'],
  ['z of another germ', `${KEEP}/lethality.ts`, 'zC: 10.8', 'zC: 18'],
  ['a release limit of 4.5', `${KEEP}/ways.ts`, 'highest: 4.2', 'highest: 4.5'],
  ['a cold shelf', `${KEEP}/ways.ts`, 'shelf: 35', 'shelf: 20'],
  [
    'boiled as at the sea',
    `${KEEP}/boiling.ts`,
    'boilingMinutesAdded = (altitudeM: number): number =>',
    'boilingMinutesAdded = (_: number, altitudeM = 0): number =>',
  ],
  ['a reading is as good as its value', `${KEEP}/releaseCase.ts`, 'ph + meterError(trust)', 'ph'],
  ['bottles kept back are sold', 'core/src/lots/bottles.ts', 'made.count - retained]', 'made.count]'],
  ['a gift leaves no place', 'core/src/lots/bottles.ts', 'places.set(place, count - here)', 'places.set(place, count)'],
  [
    'bottles are filled to a part',
    'core/src/bottle/run.ts',
    'Math.floor(usable / bottleMl + 1e-9)',
    'Math.ceil(usable / bottleMl)',
  ],
  ['half a band', `${BLEND}/forecast.ts`, 'const Z = 1.645', 'const Z = 0.8'],
  [
    'a discard can be said again later',
    'core/src/log/kinds/discard.ts',
    'lot.discarded ??= entry',
    'lot.discarded = entry',
  ],
  ['packed anew', 'core/src/log/kinds/pack.ts', 'if (lot.packed) {', 'if (false) {'],
  ['a jar keeps what was poured out of it', 'core/src/log/jars.ts', 'massG: massG * of', 'massG'],
  ['what went into one jar went into all', 'core/src/log/jars.ts', '!moved.marks?.length ||', 'true ||'],
  [
    'of two corrections the first counts',
    'core/src/lots/corrections.ts',
    'a.id < b.id ? 1 : a.id > b.id ? -1 : 0',
    'a.id < b.id ? -1 : a.id > b.id ? 1 : 0',
  ],
  ['what is dated ahead counts', 'core/src/lots/fold.ts', 'all.filter(isAhead)', 'all.slice(0, 0)'],
  ['a metric cup', 'core/src/units/quantity.ts', 'GALLON_ML / 16', '250'],
  [
    'temperature forgotten by the electrode',
    'core/src/instruments/calibration.ts',
    'nernstMv(tempC) * slopePct',
    'nernstMv(25) * slopePct',
  ],
  ['the same buffer twice', 'core/src/instruments/calibration.ts', 'const APART = 1.5', 'const APART = 0'],
  ['calibrated a month ago', 'core/src/log/trust.ts', 'BENCH_TRUST_H = 48', 'BENCH_TRUST_H = 700'],
]
