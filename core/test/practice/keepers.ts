import {
  DAY_MS,
  dayOf,
  judgeSign,
  leastSaltPct,
  luckOf,
  measuredPhs,
  remediesOf,
  remedyDrafts,
  momentOf,
  type Ask,
  type JarLook,
  type Lot,
  type Luck,
  type SignVerdict,
  type TaskCode,
} from '../../src'
import { hoursSince, type Play } from './play'

/* How three makers keep their jars: by the application, by the rules people go by, and by chance. */

const READS: readonly TaskCode[] = [
  ...['read behind', 'read again', 'read the pH', 'read the jars', 'read the jar', 'read after film'],
] as TaskCode[]

/** What the application says of something that is seen. */
function judged(lot: Lot, { sign, answers }: JarLook['sights'][number], nowMs: number): SignVerdict {
  const read = measuredPhs(lot).map(({ ph }) => ph)
  const last = read.at(-1) ?? null
  const fell = read.length > 1 ? (read.at(-1) ?? 0) < (read[0] ?? 0) - 0.2 : null
  return judgeSign(sign, answers, { day: dayOf(lot, nowMs), ph: last, fell })
}

/** Looks at a lot and logs what is new, as the dialog of signs does. */
function lookOver(play: Play, lotId: string) {
  for (const look of play.looks(lotId))
    for (const sight of look.sights) {
      const lot = play.book.lots.get(lotId)!
      const known = lot.signs.findLast(
        ({ sign, marks = [] }) => sign === sight.sign && (marks.length === 0 || marks.includes(look.mark)),
      )
      const same = known && String(known.answers ?? []) === String(sight.answers)
      if (same && play.nowMs - Date.parse(known.at) < 3 * DAY_MS) continue
      const { level, holds } = judged(lot, sight, play.nowMs)
      const marks = look.mark ? { marks: [look.mark] } : {}
      play.write({ kind: 'sign', lotId, sign: sight.sign, answers: sight.answers, level, holds, ...marks })
    }
}

/** Puts salt right: how much is in it is measured, or remembered from the box. */
function mendSalt(play: Play, lotId: string) {
  const { book } = play
  const lot = book.lots.get(lotId)!
  const jar = play.world.jars.find((one) => one.lotId === lotId)
  if (!jar) return
  const rememberedG = Math.round(jar.saltG)
  const known = { measuredPct: null, rememberedG } as const
  const wish = { targetPct: leastSaltPct(false) + 0.8, brinePct: 3 }
  const remedy = remediesOf(book, lot, known, wish)?.find(({ id }) => id === 'salt')
  const moments = { at: momentOf(play.nowMs), laterAt: momentOf(play.nowMs + 60_000) }
  const drafts = remedy && remedyDrafts(book, lot, known, wish, remedy, moments)
  for (const draft of drafts ?? []) play.write({ ...draft })
}

/** Does one thing that is asked. Tells whether something was done. */
function obey(play: Play, lot: Lot, ask: Ask): boolean {
  const { code, chore, title } = ask
  if (code === 'discard') {
    play.discard(lot.id, ask.why)
    return true
  }
  if (code === 'press') {
    play.press(lot.id)
    return true
  }
  if (READS.includes(code) || (code === 'chore' && !chore && /pH/.test(title))) {
    play.read(lot.id)
    return true
  }
  if (chore) {
    play.write({ kind: 'chore', lotId: lot.id, chore })
    return true
  }
  switch (code) {
    case 'mend the salt':
    case 'check the salt':
      mendSalt(play, lot.id)
      return true
    case 'cool':
      play.write({ kind: 'decide', lotId: lot.id, decision: 'warm', place: 'Cold corner', tempC: 13, reason: ask.why })
      return true
    case 'start': {
      const rows = [{ materialId: 'old-brine', name: 'Brine of a good jar', massG: Math.round(0.05 * lot.leftG) }]
      const row = { ...rows[0]!, preparation: 'raw', seedsOut: false }
      play.write({ kind: 'add', lotId: lot.id, rows: [row], waterG: 0, saltG: 0, reason: 'To start it.' })
      return true
    }
    default:
      return false
  }
}

/** Keeps jars as the application asks, a round each morning. */
export class ByTheBook {
  private readonly done = new Map<string, number>()
  private readonly still = new Map<string, number>()
  private readonly doubt = new Map<string, number>()

  /** What was asked of a lot on a morning is done once. */
  round(play: Play) {
    for (const { id } of play.open) this.lot(play, id)
  }

  private lot(play: Play, lotId: string) {
    lookOver(play, lotId)
    const tried = new Set<string>()
    for (let turn = 0; turn < 12; turn++) {
      const { asks, lot } = play.asks(lotId)
      if (lot.state !== 'fermenting') return
      const next = asks.find(({ key, code }) => !tried.has(`${code} ${key}`))
      if (!next) break
      tried.add(`${next.code} ${next.key}`)
      if (next.code === 'start' && this.done.has(`start ${lotId}`)) continue
      if (next.code === 'start') this.done.set(`start ${lotId}`, play.day)
      if (next.code === 'look again' && this.doubts(play, lotId)) return
      obey(play, lot, next)
      // It is behind where it stands: the plan of what would be elsewhere says warmer.
      if (next.code === 'read behind' && lot.place === 'Cold corner') this.warm(play, lotId)
    }
    const stands = play.asks(lotId).judge(lotId, play.nowMs)
    if (stands?.reasons.some(({ code }) => code === 'stands still')) {
      const times = (this.still.get(lotId) ?? 0) + 1
      this.still.set(lotId, times)
      if (times === 2) play.write({ kind: 'decide', lotId, decision: 'ready', reason: 'It goes no further.' })
    }
  }

  /** Told to look again, and still in doubt a day later: thrown away, as it says. */
  private doubts(play: Play, lotId: string): boolean {
    const first = this.doubt.get(lotId) ?? play.day
    this.doubt.set(lotId, first)
    if (play.day - first < 0.9 || !play.looks(lotId).some(({ cover }) => cover === 'islands' || cover === 'fur'))
      return false
    play.discard(lotId, 'Looked at twice, and it could not be told.')
    return true
  }

  private warm(play: Play, lotId: string) {
    if (this.done.has(`warm ${lotId}`)) return
    this.done.set(`warm ${lotId}`, play.day)
    play.write({ kind: 'decide', lotId, decision: 'warm', place: 'Warm shelf', tempC: 23, reason: 'It is behind.' })
  }
}

/**
 * Keeps jars by the rules people go by (common practice): so many days on the bench, bubbles gone, smells sour; burped
 * and pushed down daily; what is white is skimmed, mould is scooped off and the rest kept; nothing is measured.
 */
export class ByThumb {
  round(play: Play) {
    for (const lot of play.open) this.lot(play, lot)
  }
  private lot(play: Play, lot: Lot) {
    const looks = play.looks(lot.id)
    const sights = looks.flatMap((look) => look.sights.map(({ sign }) => sign))
    const style = lot.made.kind === 'plan' ? lot.made.style : 'mash'
    if (looks.some(({ smell }) => smell === 'foul')) return play.discard(lot.id, 'It stinks.')
    if (sights.includes('white film') || sights.includes('fuzzy growth'))
      play.write({ kind: 'chore', lotId: lot.id, chore: 'skim' })
    if (sights.includes('bag ballooned')) play.write({ kind: 'chore', lotId: lot.id, chore: 'vent' })
    const closure = lot.packed?.closure
    const push = closure === 'cloth' || closure === 'plate' || closure === 'loose lid'
    if (closure === 'tight lid') play.write({ kind: 'chore', lotId: lot.id, chore: 'burp' })
    if (push || sights.includes('floaters')) play.write({ kind: 'chore', lotId: lot.id, chore: 'press down' })
    const days = style === 'chop' ? 4 : style === 'brined' ? 10 : 8
    const calm = looks.every(({ seen }) => (seen.bubbles ?? 0) < 2)
    const age = hoursSince(play, lot) / 24
    if ((age >= days && calm) || age >= days + 6) play.press(lot.id)
  }
}

/** Does anything, now and then. */
export class ByChance {
  private readonly luck: Luck
  private drawn = 0
  constructor(seed: number) {
    this.luck = luckOf(seed + 7_000_000)
  }
  private draw = () => this.luck.share(`${this.drawn++}`)
  round(play: Play) {
    for (const lot of play.open) {
      const draw = this.draw()
      const chores = ['burp', 'stir', 'press down', 'skim', 'wipe'] as const
      if (draw < 0.1) play.press(lot.id)
      else if (draw < 0.14) play.discard(lot.id, 'Enough of it.')
      else if (draw < 0.3) play.write({ kind: 'chore', lotId: lot.id, chore: chores[Math.floor(this.draw() * 5)] })
      else if (draw < 0.36) play.read(lot.id, { checked: this.draw() < 0.5 })
      else if (draw < 0.4)
        play.write({ kind: 'decide', lotId: lot.id, decision: 'cold', place: 'Fridge', tempC: 4, reason: 'No room.' })
      else if (draw < 0.44) play.write({ kind: 'sense', lotId: lot.id, seen: { sour: 2 } })
    }
  }
}
