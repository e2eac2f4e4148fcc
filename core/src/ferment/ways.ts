import { COLUMNS, SHOWN } from './shown'

/**
 * How one possible batch goes. Living: as the model says, early or late. Standstill: as the model says, but for good
 * no further than a pH. Yeast: the same, with much gas. Dead: it stays where it started. Film: something eats its acid
 * from an hour on, pH per hour.
 */
export type FermentWay =
  | { kind: 'living' }
  | { kind: 'standstill' | 'yeast'; floorPh: number }
  | { kind: 'dead' }
  | { kind: 'film'; fromH: number; perH: number }

/**
 * How often batches go so; living is what is left. Standstills lie evenly between two pH, those of yeast nearer to the
 * line. Judgement, held against hidden batches in docs/checks.md.
 */
export const WAY_SHARE = { standstill: 0.27, yeast: 0.05, dead: 0.03, film: 0.03 } as const
const STANDS = { low: 3.6, high: 4.9 } as const
const YEAST = { low: 4.2, high: 4.6 } as const
/** Standstills are looked at in steps of so much pH: less than a reading can tell apart. */
const FLOOR_STEP = 0.1
/**
 * Rises of pH where film eats the acid, a day; and when they began, as shares of the time until the newest reading.
 * Judgement.
 */
const FILM_PER_DAY = [0.03, 0.06, 0.12] as const
const FILM_FROM = [0.25, 0.5, 0.75] as const
/** Film needs air and some days. Judgement, h. */
const FILM_LEAST_H = 48
/** No pH rises over this. */
const NEUTRAL = 7
/** Gas of a batch that yeast took, mmol/kg a day, from an hour on: lively. Judgement. */
const YEAST_GAS = 24
const YEAST_FROM_H = 24
/** CO2 of a hexose that yeast takes. */
const CO2_PER_HEXOSE = 2

/** A way with its prior share. */
export interface WeighedWay {
  way: FermentWay
  share: number
}

/**
 * The ways a batch can go, with their shares, which sum to 1.
 * @param newestH hour of the newest reading, 0 without one.
 */
export function waysOf(newestH: number): WeighedWay[] {
  const ways: WeighedWay[] = [{ way: { kind: 'dead' }, share: WAY_SHARE.dead }]
  for (const [kind, { low, high }] of [
    ['standstill', STANDS],
    ['yeast', YEAST],
  ] as const) {
    const count = Math.round((high - low) / FLOOR_STEP)
    for (let index = 0; index < count; index++)
      ways.push({ way: { kind, floorPh: low + (index + 0.5) * FLOOR_STEP }, share: WAY_SHARE[kind] / count })
  }
  if (newestH >= FILM_LEAST_H)
    for (const perDay of FILM_PER_DAY)
      for (const from of FILM_FROM)
        ways.push({
          way: { kind: 'film', fromH: from * newestH, perH: perDay / 24 },
          share: WAY_SHARE.film / (FILM_PER_DAY.length * FILM_FROM.length),
        })
  const others = ways.reduce((sum, { share }) => sum + share, 0)
  return [{ way: { kind: 'living' }, share: 1 - others }, ...ways]
}

/** The pH on a way, where the model's own member stands at `ph`; `startPh` the member's. */
export function phOnWay(way: FermentWay, ph: number, hour: number, startPh: number): number {
  switch (way.kind) {
    case 'living':
      return ph
    case 'dead':
      return startPh
    case 'film':
      return Math.min(NEUTRAL, ph + way.perH * Math.max(0, hour - way.fromH))
    default:
      return Math.max(ph, Math.min(way.floorPh, startPh))
  }
}

const PH_COLUMNS = [0, 1, 2].map((index) => SHOWN.indexOf((['blended', 'liquid', 'pieces'] as const)[index]!))
const column = (shown: (typeof SHOWN)[number]) => SHOWN.indexOf(shown)
const [LIQUID, GAS, PER_DAY, LACTIC, ACETIC, CELLS] = (
  ['liquid', 'gas', 'gasPerDay', 'lactic', 'acetic', 'cells'] as const
).map(column)

/**
 * Turns the run of a living member into that of a way, in place: {@link COLUMNS} figures for each hour, from `at` on.
 * Once it stands still nothing is made any more, but what yeast makes of the sugar.
 * @param hexose of the member, mmol/kg: what yeast can make gas of.
 */
export function goOnWay(way: FermentWay, hours: Float64Array, rows: Float64Array, at: number, hexose: number): void {
  if (way.kind === 'living') return
  const startPh = rows[at + LIQUID!]!
  let halted = way.kind === 'dead' ? 0 : -1
  for (let step = 0; step < hours.length; step++) {
    const row = at + step * COLUMNS
    const hour = hours[step]!
    if (halted < 0 && way.kind !== 'film' && way.kind !== 'dead' && rows[row + LIQUID!]! <= way.floorPh) halted = step
    for (const shown of PH_COLUMNS) rows[row + shown] = phOnWay(way, rows[row + shown]!, hour, startPh)
    if (halted >= 0) {
      const from = at + halted * COLUMNS
      for (const made of [GAS!, LACTIC!, ACETIC!]) rows[row + made] = way.kind === 'dead' ? 0 : rows[from + made]!
      rows[row + CELLS!] = rows[from + CELLS!]!
      rows[row + PER_DAY!] = 0
    }
    if (way.kind === 'yeast' && hour >= YEAST_FROM_H) {
      const made = (YEAST_GAS * (hour - YEAST_FROM_H)) / 24
      const most = CO2_PER_HEXOSE * hexose
      rows[row + GAS!] = Math.max(rows[row + GAS!]!, Math.min(made, most))
      rows[row + PER_DAY!] = made < most ? Math.max(rows[row + PER_DAY!]!, YEAST_GAS) : 0
    }
  }
}

/** Whether anything but its pH differs on a way from the living member. @param lowestPh of its liquid so far. */
export const differs = (way: FermentWay, lowestPh: number): boolean =>
  way.kind === 'standstill' ? lowestPh <= way.floorPh : way.kind === 'yeast' || way.kind === 'dead'
