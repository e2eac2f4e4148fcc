import { boundOf, chargeOf, mixtureBalance, mixturePh, TITRATED_TO } from '../acid/mixture'
import { freeCharge } from '../acid/balance'
import { MILLIEQUIVALENT_G, titratablePct, type Titration } from '../acid/titration'
import { mix, withAcidTimes, type Composition } from '../composition/composition'
import { phBand } from './forecast'
import { InvalidInput } from '../invalid'

/** How many times the weak acid that was supposed a component holds, and the standard deviation of its logarithm. */
export interface AcidFactor {
  factor: number
  logSd: number
}

/** A trial that moves the pH by less tells nothing of the acid. Judgement, after the precision of a meter. */
export const LEAST_MOVE = 0.05
/** Factors outside are no acid but a mistake of weighing or reading. */
const FACTORS = { low: 0.3, high: 3 } as const
/** Error of the difference of two readings of one meter. */
const TWO_READINGS = Math.SQRT2

/**
 * How much weak acid a component really holds, from a trial: with known things added its pH must go where it was read.
 * s = −[Σ x q(pH1) + w (h(pH1) − h(pH0))] / [A(pH0) − A(pH1)].
 * @param others the rest of the trial, as weighed. @param readSd standard deviation of the reading, pH.
 * @param othersSd what is not known of the rest, as a standard deviation of the trial's pH.
 * @throws InvalidInput when the trial tells nothing, or the answer cannot be.
 */
export function acidFromTrial(
  component: Composition,
  others: readonly Composition[],
  ph: number,
  readSd: number,
  othersSd = 0,
): AcidFactor {
  const own = mixtureBalance(component)
  if (!own) throw new InvalidInput('What is to be learned of holds no water, so it has no pH of its own.')
  const move = Math.abs(ph - own.pH)
  if (move < LEAST_MOVE)
    throw new InvalidInput(
      `The trial stands ${move.toFixed(2)} from its own pH of ${own.pH.toFixed(2)}: that tells nothing of its acid. Put in more of what is known: 20 to 30 g of vinegar in 100 g tells most; water tells nothing.`,
    )
  const rest = chargeOf(mix(others))
  let factor = 1
  for (let pass = 0; pass < 12; pass++) {
    const scaled = withAcidTimes(component, factor, 0)
    const [alone, balance] = [mixtureBalance(scaled), mixtureBalance(mix([scaled, ...others]))]
    if (!alone || !balance) break
    const at = { pH: ph, ionicStrength: balance.ionicStrength }
    const freed = (component.waterG / 1000) * (freeCharge(at).left - freeCharge(alone).left)
    const next = -(rest(at).left + freed) / (boundOf(component, alone) - boundOf(component, at))
    if (!Number.isFinite(next) || next <= 0)
      throw new InvalidInput(
        'No amount of acid in it explains this pH. Check the weights, and whether the meter was in the trial.',
      )
    const still = Math.abs(next - factor) < 1e-6
    factor = next
    if (still) break
  }
  const slope = slopeOf(component, others, factor)
  const logSd = Math.hypot((TWO_READINGS * readSd) / move, slope > 0 ? othersSd / slope : 0)
  return { factor: Math.min(FACTORS.high, Math.max(FACTORS.low, factor)), logSd }
}

/** How far the trial's pH goes with the logarithm of the component's acid. */
function slopeOf(component: Composition, others: readonly Composition[], factor: number): number {
  const at = (times: number) => mixturePh(mix([withAcidTimes(component, factor * times, 0), ...others])) ?? 0
  return Math.abs(at(1.05) - at(1 / 1.05)) / (2 * Math.log(1.05))
}

/** What is not known of a titration's end for a sauce: it counts groups that do not matter at pH 3 to 4. Judgement. */
const TITRATION_SPREAD = 0.15

/**
 * The same from a titration to pH 8.2: s = [T − w (h(pH0) − h(8.2))] / [A(8.2) − A(pH0)]. Ranked below a trial.
 * @throws InvalidInput when the component has no pH or no acid, or the answer cannot be.
 */
export function acidFromTitration(component: Composition, titration: Titration): AcidFactor {
  const own = mixtureBalance(component)
  if (!own) throw new InvalidInput('It holds no water, so it has no pH of its own.')
  const end = { ...own, pH: TITRATED_TO }
  const mmol = ((titratablePct(titration) / 100) * component.massG) / MILLIEQUIVALENT_G.lactic
  const free = (component.waterG / 1000) * (freeCharge(own).left - freeCharge(end).left)
  const factor = (mmol - free) / (boundOf(component, end) - boundOf(component, own))
  if (!Number.isFinite(factor) || factor <= 0)
    throw new InvalidInput('No amount of acid in it explains this titration.')
  return { factor: Math.min(FACTORS.high, Math.max(FACTORS.low, factor)), logSd: TITRATION_SPREAD }
}

/**
 * What was supposed and what was found, weighed by how well each is known.
 * @param supposed standard deviation of the logarithm before.
 */
export function learnAcid(supposed: number, found: readonly AcidFactor[]): AcidFactor {
  if (!(supposed > 0) || found.length === 0) return { factor: 1, logSd: supposed }
  const weights = found.map(({ logSd }) => 1 / Math.max(1e-4, logSd * logSd))
  const all = weights.reduce((sum, weight) => sum + weight, 1 / (supposed * supposed))
  const log = found.reduce((sum, { factor }, index) => sum + Math.log(factor) * (weights[index] ?? 0), 0) / all
  return { factor: Math.exp(log), logSd: 1 / Math.sqrt(all) }
}

/** A component with what was learned of its acid. */
export function withLearned(component: Composition, found: readonly AcidFactor[]): Composition {
  const { factor, logSd } = learnAcid(component.acidLogSd, found)
  return found.length === 0 || component.acidLogSd <= 0 ? component : withAcidTimes(component, factor, logSd)
}

/**
 * Which part's unknown acid widens the band of the mixture most; -1 where every acid is known. The part a trial
 * should teach.
 */
export function mostUncertain(parts: readonly Composition[]): number {
  const widths = parts.map((part, index) => {
    if (part.acidLogSd <= 0 || part.massG <= 0) return 0
    const band = phBand(
      parts.map((other, at) => (at === index ? { ...other, phSd: 0 } : { ...other, acidLogSd: 0, phSd: 0 })),
    )
    return band ? band.high - band.low : 0
  })
  const most = Math.max(0, ...widths)
  return most > 0 ? widths.indexOf(most) : -1
}

/** What is not known of everything but one part, as a standard deviation of the mixture's pH. */
export function othersSd(component: Composition, others: readonly Composition[]): number {
  const band = phBand([{ ...component, acidLogSd: 0, phSd: 0 }, ...others])
  return band ? (band.high - band.low) / (2 * 1.645) : 0
}
