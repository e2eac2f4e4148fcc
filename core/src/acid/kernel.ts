import { startCompiled } from '../compiled'
import { InvalidInput } from '../invalid'
import { WASM } from './kernelWasm'
import type { AcidSpecies } from './species'

/* The compiled charge balance (kernel/balance.ts): started with the first question, one for a thread. */

interface Exports {
  memory: { buffer: ArrayBuffer }
  makeRoom(parts: number): void
  setAcids(count: number): void
  daviesLog(ionicStrength: number): number
  charges(pH: number, log: number): void
  solve(saltMmol: number, sidMmol: number, activity: boolean): void
  pour(parts: number): number
  placeOfParts(): number
  placeOfFactors(): number
  placeOfTable(): number
  placeOfTold(): number
  placeOfTwo(): number
}

/** Acids of a solution, at most, and the rows they lie in: mmol, 10^−pKa of three steps, whether it is a site. */
const ACIDS = 16
const ROWS = 5
const SITE = 4
/** Of a part: water (g), salt (g), strong ions (mmol), a place that is left free, then its acids (mmol). */
const BEFORE = 4
const PART = BEFORE + ACIDS
const TOLD = 5

function start() {
  const { exports, at } = startCompiled<Exports>(WASM)
  const views = (parts: number) => ({
    table: at(exports.placeOfTable(), ROWS * ACIDS),
    told: at(exports.placeOfTold(), TOLD),
    parts: at(exports.placeOfParts(), parts * PART),
    factors: at(exports.placeOfFactors(), parts),
  })
  return { ...exports, views, seen: views(0), room: 0, lies: null as Pot | null }
}
let started: ReturnType<typeof start> | null = null
/** The compiled balance, and what lies in it. */
const kernel = () => (started ??= start())

/** An acid and how much of it there is, mmol per kg of water. */
export interface Acid {
  species: AcidSpecies
  mmol: number
}

/** 10^−pKa of every step, worked out once for a species. */
const KNOWN_STEPS = new WeakMap<AcidSpecies, readonly number[]>()
function stepsOf(species: AcidSpecies): readonly number[] {
  const known = KNOWN_STEPS.get(species)
  if (known) return known
  const found = species.pKa.map((pKa) => 10 ** -pKa)
  KNOWN_STEPS.set(species, found)
  return found
}

/** Lays these acids out for what is asked next. @throws InvalidInput when they are too many. */
export function layOut(acids: readonly Acid[]): void {
  if (acids.length > ACIDS) throw new InvalidInput(`A solution holds at most ${ACIDS} acids.`)
  const { seen, setAcids } = kernel()
  const { table } = seen
  table.fill(0)
  acids.forEach(({ species, mmol }, acid) => {
    table[acid] = mmol
    stepsOf(species).forEach((step, at) => (table[(at + 1) * ACIDS + acid] = step))
    table[SITE * ACIDS + acid] = species.site ? 1 : 0
  })
  setAcids(acids.length)
  kernel().lies = null
}

/**
 * log10 of the activity coefficient of a single charge after Davies, with A = 0.5092 (25 °C, from memory).
 * @param ionicStrength mol/kg water; held at 1.0, where the formula ends to be of use.
 */
export const daviesLog = (ionicStrength: number): number => kernel().daviesLog(ionicStrength)

/** What the acids that are laid out carry at a pH: Σ C z̄, its part of twice the ionic strength, its slope; mmol/kg. */
export function chargesAt(pH: number, log: number): { sum: number; squares: number; slope: number } {
  const { charges, seen } = kernel()
  charges(pH, log)
  return { sum: seen.told[2]!, squares: seen.told[3]!, slope: seen.told[4]! }
}

/** pH and what was found on the way. */
export interface Balance {
  pH: number
  ionicStrength: number
}
const told = ({ seen }: ReturnType<typeof start>): Balance => ({ pH: seen.told[0]!, ionicStrength: seen.told[1]! })

/** The balance of the acids that are laid out, with salt and strong ions, mmol/kg water. */
export function solveLaid(saltMmol: number, sidMmol: number, activity: boolean): Balance {
  kernel().solve(saltMmol, sidMmol, activity)
  return told(kernel())
}

/** Parts of a pot: each one's water (g), salt (g) and strong ions (mmol), then as much of each acid (mmol). */
export interface Pot {
  species: readonly AcidSpecies[]
  parts: readonly (readonly number[])[]
}

/** Puts a pot in, where it does not lie there already. */
function layPot(pot: Pot): void {
  const own = kernel()
  if (own.lies === pot) return
  const count = pot.parts.length
  if (count > own.room) {
    own.makeRoom(count)
    own.room = count
    own.seen = own.views(count)
  }
  layOut(pot.species.map((species) => ({ species, mmol: 0 })))
  own.seen.parts.fill(0)
  pot.parts.forEach((part, at) => {
    own.seen.parts.set(part.slice(0, BEFORE - 1), at * PART)
    own.seen.parts.set(part.slice(BEFORE - 1), at * PART + BEFORE)
  })
  own.lies = pot
}

/** The balance of a pot's parts, each by its factor; `null` without water. */
export function pour(pot: Pot, factors: ArrayLike<number>): Balance | null {
  layPot(pot)
  const own = kernel()
  own.seen.factors.set(factors)
  return own.pour(pot.parts.length) ? told(own) : null
}
