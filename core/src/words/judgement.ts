import { SIGN_KINDS, type SignId } from '../ferment/signKinds'
import type { Flag, FlagCode } from '../ferment/flags'
import type { Judgement } from '../judge/judgement'
import type { Reason, ReasonCode, ReasonFacts } from '../judge/reasons'
import { formatNumber } from '../units/number'
import { plainNumber } from '../units/counted'
import { DAY_MS } from '../units/time'

/** How a moment is told: "Thursday morning". */
export type Tell = (ms: number) => string

/** How it is told where no page says otherwise: in UTC, to the minute. */
export const plainTell: Tell = (ms) => new Date(ms).toISOString().slice(0, 16).replace('T', ' ')

/** From which chance on it is called what; the rest is hardly. docs/judgement.md has the table. */
const ODDS = [
  [0.95, 'almost surely'],
  [0.7, 'probably'],
  [0.3, 'perhaps'],
  [0.05, 'probably not'],
] as const

/** A probability as makers say it: nobody reads a figure about safety. */
export const odds = (chance: number): string => ODDS.find(([from]) => chance > from)?.[1] ?? 'hardly'

/** What a flag of the forecast says, with the probability behind it. */
const FLAG_SAYS: Record<FlagCode, (chance: number) => string> = {
  distrust: () => 'The newest pH does not fit what this batch should show.',
  film: (chance) => `By its readings something eats its acid (${odds(chance)}).`,
  dead: (chance) => `By its readings nothing works in it yet (${odds(chance)}).`,
  yeast: (chance) => `By its readings yeast works in it instead of lactic bacteria (${odds(chance)}).`,
  'standing still': (chance) => `By its readings it stands still (${odds(chance)}).`,
  behind: (chance) => `The newest pH lies above ${chance > 0.95 ? 'almost all' : 'most'} living batches like it.`,
}
export const tellFlag = ({ code, chance }: Flag): string => FLAG_SAYS[code](chance)

/** How long, as people say it: tenths of a day only under ten of them. */
function days(ms: number): string {
  const count = ms / DAY_MS
  const words = plainNumber(count, count < 10 ? 1 : 0)
  return words === '1' ? 'a day' : `${words} days`
}
const ph = (value: number) => value.toFixed(2)
const times = (spent: number) => `${spent.toFixed(1)} times the time allowed`
const NAMES = new Map<SignId, string>(SIGN_KINDS.map(({ id, name }) => [id, name]))
const named = (sign: SignId) => NAMES.get(sign) ?? sign
/** Comfortable from this to that, °C. Common practice. */
const COOL_C = 16
const WARM_C = 24

const move = (tempC: number) =>
  tempC < COOL_C
    ? 'Move it to about 20 °C, check'
    : tempC > WARM_C
      ? 'Move it to about 20 °C: warm favours the wrong ones. Check'
      : 'Check'

/** What is only for the own kitchen. Boiling destroys botulinum toxin: CDC, from memory. */
export const HOME_USE =
  'Home use only: boil it 10 minutes, and 1 more for each 300 m of altitude, before you taste or eat it. Not for infants, pregnant people or weak immunity; never given away or sold.'

/** What a rule says of a lot, in words. */
const SAYS: { [Code in ReasonCode]: (facts: ReasonFacts[Code], tell: Tell) => string } = {
  'bad sign': ({ sign }) => `${named(sign)} was seen. Discard it, do not taste it.`,
  'above too long': (of) =>
    `${of.pieces ? 'The pieces stand' : 'Read'} at pH ${ph(of.ph)}, above 4.6 for longer than is safe. Discard it, do not taste it.`,
  'passed too late': ({ spent }) =>
    `It is under 4.6 now, but by its readings it passed too late: after ${times(spent)} at least. Discard it, do not taste it.`,
  'thrown away': () => 'It was thrown away.',
  'time over, not read': ({ ph: last, chance }) =>
    chance !== null
      ? `The time to reach pH 4.6 is over, and eye and tongue cannot tell whether it did (${odds(chance)}). A strip, a few cents, settles it; do not taste it, nothing is made of it until then.`
      : last === null
        ? 'The time to reach pH 4.6 is over and nothing was read. Read it now; above 4.6, discard it and do not taste it.'
        : `The time to reach pH 4.6 is over, and pH ${ph(last)} does not prove that it did. Read it now; above 4.6, discard it and do not taste it.`,
  'not proven': ({ ph: last }) =>
    last === null
      ? 'No pH ever proved that it passed 4.6. It stops here until it is read.'
      : `pH ${ph(last)} does not prove that it stands under 4.6. It stops here until it is read again.`,
  'above again': ({ ph: last }) =>
    `pH ${ph(last)}: above 4.6 again. Look for film or mould, check the meter, read it again today.`,
  'not read yet': ({ ageMs }) => `No pH in ${days(ageMs)}. Read it today: 4.6 must be passed in time.`,
  behind: (of, tell) =>
    `Behind: pH ${ph(of.ph)} on day ${Math.floor(of.ageMs / DAY_MS)} at ${formatNumber(of.tempC)} °C; 4.6 is due ${tell(of.dueMs)}. ${move(of.tempC)} the salt, read again tomorrow.`,
  'too warm': ({ tempC }) =>
    `${formatNumber(tempC)} °C: too warm for it. Move it to about 20 °C now, and read the pH today.`,
  'may have passed late': ({ spent, guessed }) =>
    `It is under 4.6, but it may have passed it too late: ${times(spent)} at the late end${guessed ? ', nothing was read in between' : ''}. The record cannot show when. Not for sale, and nothing is made of it.`,
  'open sign': ({ sign }) =>
    `${named(sign)} was seen and not settled. Look again, and record what you see; until then it is not ready.`,
  'film since the pH': ({ sign }) => `${named(sign)} was seen after the last pH. Read it again before anything else.`,
  rose: ({ from, to }) => `pH rose from ${ph(from)} to ${ph(to)}. Look for film or mould, and check the meter.`,
  'put in since': ({ upperPh }) =>
    upperPh === null
      ? 'Something was put in since the last pH. Stir it, read it again.'
      : `Something was put in since the last pH: it works out to at most ${ph(upperPh)}. Stir it, read it again.`,
  'newer entry': ({ count }) =>
    `${count === 1 ? 'An entry' : `${count} entries`} of a newer version ${count === 1 ? 'speaks' : 'speak'} of it and cannot be read here. Update this device before anything of it is sold.`,
  'not settled': ({ count }) =>
    `Two devices say different things of it${count === 1 ? '' : `, ${count} times`}. Say which is right; until then the worse counts, and nothing is made of it or sold.`,
  'jars not read': ({ marks }) =>
    `No pH was read in jar ${marks.join(', ')}. Only jars that were read may go on; say which one a reading is of.`,
  'one jar decides': ({ mark }) =>
    `It is jar ${mark} that decides: another stands better. Read it; press, or throw away, jar by jar.`,
  'pressed unread': ({ marks }) => `Jar ${marks.join(', ')} was pressed, and no pH was read in it.`,
  'taken too early': () =>
    'By its date it was taken before it was packed, pressed or poured. Correct the date of one of the two.',
  'mostly cooked': ({ rawPct }) =>
    `Only ${formatNumber(rawPct)} % of its produce is raw and nothing starts it. Ask somebody who knows, and read it daily.`,
  'salty and late': ({ saltInWaterPct }) =>
    `${formatNumber(saltInWaterPct, 1)} % salt in its water, and no pH at or under 4.6 in three times the time allowed: staphylococci may have left a toxin that acid, heat and water leave as it is. Not for sale.`,
  'home use': () => HOME_USE,
  'kept by salt': ({ saltInWaterPct, aw }) =>
    `${aw === null ? `${formatNumber(saltInWaterPct, 1)} % salt in its water` : `A water activity of ${aw.toFixed(2)}`} keeps it. Thinned, it is judged anew.`,
  'kept by acid': (of) => `pH ${ph(of.ph)} keeps it.`,
  'kept by salt and cold': ({ saltInWaterPct, hottestC, useByMs }, tell) =>
    `${formatNumber(saltInWaterPct, 1)} % salt in its water and never above ${formatNumber(hottestC, 1)} °C: use it by ${tell(useByMs)}, and cook it before it is eaten. Not for sale.`,
  'past its days in the cold': ({ days: most }) =>
    `Salt and cold keep it for ${most} days; they are over. Discard it, or ask somebody who knows.`,
  'under oil': ({ pct, useByMs, sourBefore }, tell) =>
    `${formatNumber(pct, 1)} % oil: never at room temperature. Keep it in the refrigerator and use it by ${tell(useByMs)}, or freeze it.${sourBefore ? '' : ' Its pH was not read at 4.2 or less before the oil went in.'}`,
  'too much histamine': ({ mgKg }) =>
    `${formatNumber(mgKg)} mg of histamine in a kilogram: it makes ill, and no heat takes it out. Discard it.`,
  'bottle over the limit': ({ ph: read, limitPh }) =>
    `A bottle was read at pH ${ph(read)}, over the limit of ${ph(limitPh)}. Hold the run, and call back what left.`,
  'too long under oil': ({ days: most }) =>
    `Its ${most} days under oil in the refrigerator are over. Discard it, do not taste it.`,
  'sour as worked out': ({ upperPh }) =>
    `${upperPh === null ? 'It works out sour enough' : `It works out to pH ${ph(upperPh)} at most`}, and was not read: keep it in the refrigerator, for home use. For more, read its pH.`,
  'nothing keeps it yet': ({ ph: last, dueMs }, tell) =>
    last === null
      ? `Nothing shows yet that it keeps. Read its pH by ${tell(dueMs)}: it must be 4.6 or less.`
      : `pH ${ph(last)} does not keep it. Make it sourer, or much saltier, and read it again by ${tell(dueMs)}.`,
  'weak salt': ({ saltPct, leastPct, saltG }) =>
    `${formatNumber(saltPct, 1)} % salt, evened out: under ${formatNumber(leastPct, 1)} % the wrong bacteria can win. To ${formatNumber(leastPct, 1)} %: ${formatNumber(saltG, saltG < 10 ? 1 : 0)} g of salt.`,
  'may be weak': ({ lowPct, saltPct, leastPct }) =>
    `${formatNumber(saltPct, 1)} % salt, but not all of it was weighed: it may be ${formatNumber(lowPct, 1)} %, and under ${formatNumber(leastPct, 1)} % the wrong bacteria can win. Measure the salt, or put a little more in.`,
  'nothing alive': () =>
    'Nothing alive went in: no raw produce, no starter. It will not ferment by itself. Put in raw produce or a living brine.',
  'pieces not read': () =>
    'The liquid passed 4.6, the pieces were never read, and their time is up. Grind some with their liquid and read that today.',
  'slow to sour': (of) =>
    `pH ${ph(of.ph)} after ${days(of.ageMs)}: it should be at or under 4.2 by now. Check the salt and the temperature, calibrate the meter, read again.`,
  'behind the forecast': (of) => tellFlag({ ...of, code: 'behind' }),
  'does not fit': ({ chance, because }) =>
    `${tellFlag({ code: because, chance })} Check the salt and the temperature, calibrate the meter, read it again.`,
  'may carry film': (of) =>
    `${tellFlag({ ...of, code: 'film' })} Look for film or mould, check the meter, read it again.`,
  'may be yeast': (of) =>
    `${tellFlag({ ...of, code: 'yeast' })} Smell it, look for lively gas; ask somebody who knows before anything is made of it.`,
  'stands still': ({ chance, targetPh }) =>
    `${tellFlag({ code: 'standing still', chance })} Warmer may wake it; under ${ph(targetPh)} it may need acid in the blend.`,
  'made of': ({ code, of }, tell) =>
    of.code === 'time over, not read'
      ? `Made of ${code}, which nobody read before its time to reach pH 4.6 was over. Nothing can show now that it fell below in time: do not taste or sell it, and make nothing of it.`
      : `Made of ${code}. ${tellReason(of, tell)}`,
  'likely under': () =>
    `Likely under 4.6, and in its time, by eye and tongue. Not measured: for the cold and your own kitchen. A strip would make it more.`,
  'ready by taste': () =>
    `Ready by taste, not measured. Keep it cold, eat it at home. Never for the shelf, sale, oil, a jar sealed warm, infants, pregnant or immune-weak people.`,
  'unlikely under': () =>
    'Its time is over, and by eye and tongue it hardly soured. Discard it, do not taste it. A strip at or under 4.0 would speak against that.',
  'not told yet': ({ chance, dueMs }, tell) =>
    `Eye and tongue cannot tell yet whether it is under 4.6 (${odds(chance)}); it must be ${tell(dueMs)}. A strip, a few cents, would settle it.`,
  'on its way by eye': ({ chance, dueMs }, tell) =>
    `On its way by eye (${odds(chance)} under 4.6 by now); 4.6 is due ${tell(dueMs)}. Look again tomorrow.`,
  young: () => 'Young. Read the pH on day 2.',
  'above the line': (of, tell) => `pH ${ph(of.ph)}; 4.6 is due ${tell(of.dueMs)}.`,
  'below the line': (of) => `pH ${ph(of.ph)}, below 4.6. Target ${ph(of.targetPh)}.`,
  'liquid only': (of) =>
    `The liquid stands at pH ${ph(of.ph)}; the pieces lag. Grind some with their liquid and read that.`,
  'one reading at target': (of) => `pH ${ph(of.ph)} is at target. A second reading a day later makes it ready.`,
  falling: (of) => `pH ${ph(of.ph)}, still falling ${of.perDay.toFixed(2)} a day.`,
  gassing: (of) =>
    `pH ${ph(of.ph)} is at target and settled; by the forecast it still makes gas. Wait until it is calm.`,
  'not fermented': (of) =>
    `pH ${ph(of.ph)} is at target, but it ${of.read ? 'began' : 'may have begun'} at ${ph(of.startPh)}: that is the fruit's own acid. Ready wants a fall of 0.3, gas that came and went, or acid titrated 0.3 % higher.`,
  'by time': ({ leftMs }) => `About ${days(leftMs)} to go.`,
  'more time given': ({ untilMs }, tell) => `You gave it time until ${tell(untilMs)}.`,
  'settled above target': (of) =>
    `Settled at pH ${ph(of.ph)}, above your target of ${ph(of.targetPh)}. It is ready: acidify it when you blend.`,
  settled: (of) => `${ph(of.first)} and ${ph(of.second)}, ${days(of.apartMs)} apart, at or under ${ph(of.targetPh)}.`,
  'as it is': () => 'Nothing stands against it by what is logged.',
}

/** The rule behind a reason, in plain words; docs/judgement.md has them all with their sources. */
const RULE_SAYS: Record<ReasonCode, string> = {
  'bad sign': 'Mould, rot, ropes and patches of pink end a lot. Only taking back a mistaken sign lifts it.',
  'above too long':
    'A pH above 4.6 once the time allowed is over ends a lot, strips too. Only correcting that reading lifts it. Pieces have twice the time of their liquid.',
  'passed too late':
    'It was read above 4.6, and in our simulations fewer than 1 in 20 batches like it would have passed in time from there.',
  'thrown away': 'What was thrown away goes into nothing.',
  'time over, not read':
    'By the time allowed, a reading must prove that 4.6 was passed: its 95 % end under 4.6, or two readings 12 h apart.',
  'not proven': 'A lot is never better than what it was made of. A reading of its own at or under 4.6 lifts this.',
  'above again': 'While the newest pH stands above 4.6 it is never better than "act", whatever it was before.',
  'not read yet': 'The first pH is wanted by day 2, or by half of the time allowed.',
  behind: 'Above 4.6 with half of the time allowed spent. Colder allows more time, warmer less; cooling is no rescue.',
  'too warm': 'Over 32 °C the wrong bacteria get ahead.',
  'may have passed late':
    'Late starts and standstills are counted in: by the late end of when it may have passed 4.6, its time was over.',
  'open sign': 'What cannot be told never clears by itself: the same thing looked at again, every question answered.',
  'film since the pH': 'Film eats acid: the pH can rise.',
  rose: 'A rise of more than 0.2, or of 3.25 standard deviations of the instrument, is not the ferment.',
  'put in since':
    'What could raise the pH makes the last reading say nothing; until it is read the mixture is worked out.',
  'newer entry': 'What cannot be read may be what counts: mould seen on another device, say.',
  'not settled': 'Of two corrections of one fact the later counts, but nobody has said that it is the right one.',
  'jars not read': 'Jars of one lot differ.',
  'one jar decides': 'Jars of one lot differ: each is followed by itself, and all of it stands as the worst.',
  'pressed unread': 'Jars of one lot differ: only those that were read go on.',
  'taken too early': 'Nothing is known of a batch before it began.',
  'mostly cooked': 'Less than half of it raw, and no starter: it may not start.',
  'salty and late':
    'Between 10 and 20 % salt in the water botulinum does not grow, staphylococci do: 4.6 must be read in three times the time allowed, before it is thinned.',
  'home use': 'A pH today does not undo a toxin made earlier; boiling destroys that of botulinum.',
  'kept by salt': 'From 20 % salt in the water, or at a water activity of 0.85 or less, nothing grows that harms.',
  'kept by acid': 'At or under pH 4.6, read in time. Days alone prove nothing.',
  'kept by salt and cold': '10 % salt in the water and a measured 4 °C keep a paste together for 30 days.',
  'past its days in the cold': '10 % salt in the water and a measured 4 °C keep a paste together for 30 days.',
  'under oil':
    'Botulinum grows under oil without air: refrigerated 4 days, 30 where the food was read at 4.2 or less before the oil (USDA and extension services; 30 days are judgement).',
  'too much histamine': 'Over 35 mg/kg fish is not eaten (FDA Hazards Guide, from memory).',
  'bottle over the limit': 'What a bottle reads over the limit holds all of its run, released or not.',
  'too long under oil':
    'Botulinum grows under oil without air: refrigerated 4 days, 30 where the food was read at 4.2 or less before the oil (USDA and extension services; 30 days are judgement).',
  'sour as worked out': 'Worked out to pH 4.0 at most counts in the own refrigerator. A release needs a reading.',
  'nothing keeps it yet': 'Days alone prove nothing: a pH at or under 4.6, or 20 % salt in the water.',
  'weak salt': 'Under 2 % of everything (1.5 % with a strong starter), until it is mended or at target.',
  'may be weak': 'Spoons, cups and pieces are ranges: the low end of the salt counts, until it is read or at target.',
  'nothing alive': 'Cooked, frozen and dried produce brings next to nothing that lives.',
  'pieces not read':
    'Liquid stands for pieces only once a blended sample agreed with it within 0.15. Waiting does not.',
  'slow to sour': 'By twice the time allowed above 4.6 it should be at or under 4.2.',
  'behind the forecast': 'In our simulations 97.5 in 100 living batches like it stand lower.',
  'may carry film': 'Film and mould eat acid: what rises more than the meter errs is looked at.',
  'may be yeast': 'Yeast makes gas and alcohol, and little acid: the pH stays where it is.',
  'stands still': 'A ferment can stand still short of its target; what is under 4.6 in time keeps its place.',
  'does not fit': 'What the forecast cannot explain is read again before it is called ready.',
  'made of': 'A lot is never better than the worst of what it was made of.',
  'likely under':
    'Likely means at least 99 in 100 in our simulations, by everything that was seen and tasted. It is not a measurement.',
  'ready by taste':
    'Called ready on eye and tongue alone: for the cold and the own kitchen, and so is what is made of it. A pH lifts it.',
  'unlikely under':
    'Its time over, no pH, and at most 2 in 10 in our simulations by eye and tongue that it passed in time: it ends there.',
  'not told yet': 'From half of its time on, what eye and tongue cannot tell wants a strip.',
  'on its way by eye': 'The time allowed above 4.6 runs by temperature and salt.',
  young: 'The first pH is wanted by day 2.',
  'above the line': 'The time allowed above 4.6 runs by temperature and salt.',
  'below the line': 'Ready means at target on two readings a day apart.',
  'liquid only': 'Liquid stands for pieces only once a blended sample agreed with it within 0.15.',
  'one reading at target': 'Ready means at target on two readings at least 24 h apart.',
  falling: 'Falling less than 0.05 a day is settled.',
  gassing: 'Less than 2 mmol of gas a kilogram and day is calm.',
  'not fermented': 'Acid that was in the fruit is not acid of a ferment.',
  'by time': 'It takes its days, and salt needs time to reach the middle of pieces.',
  'more time given': 'You decided it; nothing else holds it back.',
  'settled above target': 'It moved by no more than 0.1 in four days or longer, at or under 4.2, and is calm.',
  settled:
    'Two blended readings at target, 24 h apart, falling under 0.05 a day, calm, no open sign, and acid of its own.',
  'as it is': 'No rule of the judge speaks against it.',
}

/** A reason in words. @param tell how a moment is told. */
export function tellReason<Code extends ReasonCode>(
  { code, facts }: { code: Code; facts: ReasonFacts[Code] } | Reason,
  tell: Tell,
): string {
  return (SAYS[code] as (facts: ReasonFacts[ReasonCode], tell: Tell) => string)(facts, tell)
}

/** A judgement with the sentence of the reason that decides. */
export interface ToldJudgement extends Judgement {
  sentence: string
}

/** Where a lot stands, in words. */
export const toldJudgement = (judgement: Judgement, tell: Tell): ToldJudgement => ({
  ...judgement,
  sentence: judgement.reasons[0] ? tellReason(judgement.reasons[0], tell) : '',
})

/** The rule of a reason in words; of something it was made of, the rule that stopped that. */
export const ruleOf = (reason: Reason): string =>
  reason.code === 'made of' ? `${RULE_SAYS['made of']} ${RULE_SAYS[reason.facts.of.code]}` : RULE_SAYS[reason.code]
