import { AIM_STEP, formatMass, formatNumber, type Advice, type Aim, type Limit, type Missed, type MixSet, type Reach, type UnitWorld } from '@lactofer/core'

const NAMES: Record<Aim, string> = { acid: 'pH', salt: 'salt', heat: 'heat', sweet: 'sugar', body: 'solids', tart: 'titratable acid' }
const UNITS: Record<Aim, string> = { acid: '', salt: ' %', heat: ' SHU', sweet: ' %', body: ' %', tart: ' %' }
const DECIMALS: Record<Aim, number> = { acid: 2, salt: 2, heat: 0, sweet: 1, body: 1, tart: 2 }

/** A value of an aim with its unit: "pH 3.70", "salt 2.5 %". */
export const aimValue = (aim: Aim, value: number): string => aim === 'acid' ? `pH ${value.toFixed(2)}` : `${formatNumber(value, DECIMALS[aim])}${UNITS[aim]}`
export const aimName = (aim: Aim): string => NAMES[aim]

const of = (set: MixSet, mix: number) => set.mixes.length > 1 ? `${set.mixes[mix]?.name}: ` : ''
const partName = (set: MixSet, limit: Limit) => limit.kind === 'amount' || limit.kind === 'share' ? set.mixes[limit.mix]?.parts[limit.part]?.name ?? 'a part' : ''
const stockName = (set: MixSet, id: string) => set.mixes.flatMap(({ parts }) => parts).find(part => part.stock === id)?.name ?? 'this lot'

/** What one limit would have to become. */
export function adviceWords({ limit, to }: Advice, set: MixSet, world: UnitWorld): string {
  const end = limit.end === 'high' ? 'at most' : 'at least'
  switch (limit.kind) {
    // What is shown is the target itself: the margin of the band stands on top of it.
    case 'target': return `${of(set, limit.mix)}${NAMES[limit.aim]} ${end} ${aimValue(limit.aim, to).replace('pH ', '')} in place of ${aimValue(limit.aim, limit.value).replace('pH ', '')}`
    case 'amount': return limit.locked ? `${of(set, limit.mix)}${partName(set, limit)} locked at ${formatMass(to, world)} in place of ${formatMass(limit.value, world)}` : `${of(set, limit.mix)}${partName(set, limit)} ${end} ${formatMass(to, world)}`
    case 'share': return `${of(set, limit.mix)}${partName(set, limit)} ${end} ${formatNumber(100 * to, 1)} % of it in place of ${formatNumber(100 * limit.value, 1)} %`
    case 'mass': return `${of(set, limit.mix)}make ${end} ${formatMass(to, world)} in place of ${formatMass(limit.value, world)}`
    case 'stock': return `${formatMass(to - limit.value, world)} more of ${stockName(set, limit.stock)}: ${formatMass(to, world)} in place of the ${formatMass(limit.value, world)} there are`
  }
}

/** A limit that an answer stands at. */
export function bindingWords(limit: Limit, set: MixSet, world: UnitWorld): string {
  switch (limit.kind) {
    case 'target': return `${of(set, limit.mix)}${NAMES[limit.aim]} ${limit.end === 'high' ? 'at its most' : 'at its least'}`
    case 'amount': return `${of(set, limit.mix)}${partName(set, limit)} as locked`
    case 'share': return `${of(set, limit.mix)}${partName(set, limit)} at ${formatNumber(100 * limit.value, 1)} %`
    case 'mass': return ''
    case 'stock': return `all ${formatMass(limit.value, world)} of ${stockName(set, limit.stock)}`
  }
}

/** What a target misses. */
export const missedWords = ({ mix, aim, end, wanted, got }: Missed, set: MixSet): string =>
  `${of(set, mix)}${NAMES[aim]} ${Number.isFinite(got) ? aimValue(aim, got).replace('pH ', '') : 'cannot be told'}, wanted ${end === 'high' ? 'at most' : 'at least'} ${aimValue(aim, wanted).replace('pH ', '')}`

/** How far a property can be taken while the other limits hold. */
export const reachWords = ({ mix, aim, low, high }: Reach, set: MixSet): string =>
  high - low < AIM_STEP[aim] ? `${of(set, mix)}${NAMES[aim]} can only be ${aimValue(aim, low).replace('pH ', '')}` : `${of(set, mix)}${NAMES[aim]} can be ${aimValue(aim, low).replace('pH ', '')} at the lowest and ${aimValue(aim, high).replace('pH ', '')} at the highest`
