import {
  AIM_STEP,
  formatMass,
  formatNumber,
  type Advice,
  type Aim,
  type Limit,
  type Missed,
  type MixSet,
  type Reach,
  type UnitWorld,
} from '@lactofer/core'

const NAMES: Record<Aim, string> = {
  acid: 'pH',
  salt: 'salt',
  heat: 'heat',
  sweet: 'sugar',
  body: 'solids',
  tart: 'titratable acid',
}
export const AIM_UNITS: Record<Aim, string> = { acid: '', salt: '%', heat: 'SHU', sweet: '%', body: '%', tart: '%' }
const DECIMALS: Record<Aim, number> = { acid: 2, salt: 2, heat: 0, sweet: 1, body: 1, tart: 2 }

/** A value of an aim with its unit: "pH 3.70", "2.50 %". */
export const aimValue = (aim: Aim, value: number): string =>
  aim === 'acid' ? `pH ${value.toFixed(2)}` : `${formatNumber(value, DECIMALS[aim])} ${AIM_UNITS[aim]}`
export const aimName = (aim: Aim): string => NAMES[aim]
/** The same by its name: "pH 3.70", "salt 2.50 %". */
export const namedValue = (aim: Aim, value: number): string =>
  aim === 'acid' ? aimValue(aim, value) : `${NAMES[aim]} ${aimValue(aim, value)}`

const of = (set: MixSet, mix: number) => (set.mixes.length > 1 ? `${set.mixes[mix]?.name}: ` : '')
/** Where the whole band is held under a target, its upper end is what is told. */
const marginOf = (set: MixSet, { mix, aim, end }: { mix: number; aim: Aim; end: 'low' | 'high' }) =>
  aim === 'acid' && end === 'high' ? (set.mixes[mix]?.phMargin ?? 0) : 0
/** A value with its unit, without its name. */
const bare = (aim: Aim, value: number) => aimValue(aim, value).replace('pH ', '')
const partName = (set: MixSet, limit: Limit) =>
  limit.kind === 'amount' || limit.kind === 'share' ? (set.mixes[limit.mix]?.parts[limit.part]?.name ?? 'a part') : ''
const stockName = (set: MixSet, id: string) =>
  set.mixes.flatMap(({ parts }) => parts).find((part) => part.stock === id)?.name ?? 'this lot'

/** What one limit would have to become. */
export function adviceWords({ limit, to }: Advice, set: MixSet, world: UnitWorld): string {
  const end = limit.end === 'high' ? 'at most' : 'at least'
  switch (limit.kind) {
    case 'target': {
      const shown = (value: number) => bare(limit.aim, value + marginOf(set, limit))
      return `${of(set, limit.mix)}${NAMES[limit.aim]} ${end} ${shown(to)} in place of ${shown(limit.value)}`
    }
    case 'amount':
      return limit.locked
        ? `${of(set, limit.mix)}${partName(set, limit)} locked at ${formatMass(to, world)} in place of ${formatMass(limit.value, world)}`
        : `${of(set, limit.mix)}${partName(set, limit)} ${end} ${formatMass(to, world)}`
    case 'share':
      return `${of(set, limit.mix)}${partName(set, limit)} ${end} ${formatNumber(100 * to, 1)} % of it in place of ${formatNumber(100 * limit.value, 1)} %`
    case 'mass':
      return `${of(set, limit.mix)}make ${end} ${formatMass(to, world)} in place of ${formatMass(limit.value, world)}`
    case 'stock':
      return `${formatMass(to - limit.value, world)} more of ${stockName(set, limit.stock)}: ${formatMass(to, world)} in place of the ${formatMass(limit.value, world)} there are`
  }
}

/** A limit that an answer stands at. */
export function bindingWords(limit: Limit, set: MixSet, world: UnitWorld): string {
  switch (limit.kind) {
    case 'target':
      return `${of(set, limit.mix)}${NAMES[limit.aim]} ${limit.end === 'high' ? 'at its most' : 'at its least'}`
    case 'amount':
      return `${of(set, limit.mix)}${partName(set, limit)} as locked`
    case 'share':
      return `${of(set, limit.mix)}${partName(set, limit)} at ${formatNumber(100 * limit.value, 1)} %`
    case 'mass':
      return ''
    case 'stock':
      return `all ${formatMass(limit.value, world)} of ${stockName(set, limit.stock)}`
  }
}

/** What a target misses. */
export function missedWords({ mix, aim, end, wanted, got }: Missed, set: MixSet): string {
  const margin = marginOf(set, { mix, aim, end })
  return `${of(set, mix)}${NAMES[aim]} ${Number.isFinite(got) ? `${margin > 0 ? 'up to ' : ''}${bare(aim, got + margin)}` : 'cannot be told'}, wanted ${end === 'high' ? 'at most' : 'at least'} ${bare(aim, wanted + margin)}`
}

/** How far a property can be taken while the other limits hold. */
export const reachWords = ({ mix, aim, low, high }: Reach, set: MixSet): string =>
  high - low < AIM_STEP[aim]
    ? `${of(set, mix)}${NAMES[aim]} can only be ${bare(aim, low)}`
    : `${of(set, mix)}${NAMES[aim]} can be ${bare(aim, low)} at the lowest and ${bare(aim, high)} at the highest`

/** A band of pH: "3.41–3.62". */
export const bandWords = (band: { low: number; high: number } | null | undefined): string =>
  band ? `${band.low.toFixed(2)}–${band.high.toFixed(2)}` : '–'
