import type { Allergen } from '../library/material'
import { LEAST_SALT_PCT } from '../salt/least'

/** Where a caution is shown. */
export type Step = 'pack' | 'ferment' | 'read' | 'press' | 'blend' | 'bottle' | 'end'

/** What the step is about; only what is true of it. */
export interface CautionContext {
  aboveLine?: boolean
  /** A blend whose pH may stand over the release limit. */
  aboveLimit?: boolean
  closed?: boolean
  hasHotPeppers?: boolean
  liveSugar?: boolean
  cooked?: boolean
  /** Hot sauce goes into glass. */
  hotFill?: boolean
  /** Oil goes in. */
  oily?: boolean
  /** Concentrated acid goes in; lye is used to titrate. */
  strongAcid?: boolean
  lye?: boolean
  /** A sign that was not settled, or that ends it. */
  doubtful?: boolean
  /** Salt of everything, evened out, percent; and the least that it needs. */
  saltPct?: number
  leastSaltPct?: number
  /** Vessels that ferment in one room. */
  vessels?: number
  allergens?: readonly Allergen[]
  honey?: boolean
  /** How a jar ends that was never pressed. */
  ending?: 'eaten' | 'given' | 'frozen' | 'another lot'
}

/** A caution with its number in the handbook's list and what to do. */
export interface Caution {
  id:
    | 'botulism'
    | 'sale'
    | 'pressure'
    | 'capsaicin'
    | 'allergens'
    | 'honey'
    | 'kitchen'
    | 'freezer'
    | 'scald'
    | 'mould'
    | 'salt'
    | 'metals'
    | 'chemicals'
    | 'oil'
    | 'glass'
    | 'seals'
    | 'meter'
  text: string
}

/** A caution, the steps at which it stands, and when. */
interface Rule {
  id: Caution['id']
  steps: readonly Step[]
  when: (context: CautionContext) => boolean
  text: string | ((context: CautionContext, step: Step) => string)
}

const always = () => true
/** Stands wherever honey is in it: on plan, jar label, lot and bottle. Common practice; public health advice. */
export const HONEY_CAUTION = 'Honey: not for infants under one year. Say so on the label.'

/** From so many vessels on their gas can fill a closed room. Judgement. */
const MANY_VESSELS = 8
/** From this on a food is called high in salt (FSA, from memory), percent. */
const HIGH_SALT_PCT = 1.5

/** People for whom live food that nobody approved is not. Conservative; advice of public health, from memory. */
const AT_RISK = 'Not for infants, in pregnancy, or where the defence against germs is weak.'

/** All of them, in the order they are told. */
const RULES: readonly Rule[] = [
  {
    id: 'botulism',
    steps: ['ferment'],
    when: ({ aboveLine }) => aboveLine === true,
    text: 'Above pH 4.6 dangerous bacteria can grow. If it is not below 4.6 in the time shown, discard it and do not taste it. Its toxin has no smell: looks and smell clear nothing. Cooling is not a rescue.',
  },
  {
    id: 'botulism',
    steps: ['blend'],
    when: ({ aboveLimit }) => aboveLimit === true,
    text: 'The pH may stand over 4.0. Under 4.6 always, under 4.0 to be released: more acid, less fruit. Read the finished, evened-out sauce with a calibrated meter.',
  },
  {
    id: 'botulism',
    steps: ['bottle'],
    when: always,
    text: 'Judge by the finished, evened-out pH, read with a meter calibrated on two buffers. Mash, garlic or herbs under oil: cold only, and short.',
  },
  {
    id: 'scald',
    steps: ['bottle'],
    when: ({ hotFill }) => hotFill === true,
    text: 'Hot sauce scalds, cold glass bursts: warm the bottles, wear gloves, stand them in a tray. Nothing of aluminium, copper or zinc.',
  },
  {
    id: 'oil',
    steps: ['pack', 'blend'],
    when: ({ oily }) => oily === true,
    text: 'Oil shuts the air out, and botulinum grows under it: keep it in the refrigerator, 4 days, or 30 where what it goes into was read at pH 4.2 or less before. Or freeze it. Never at room temperature.',
  },
  {
    id: 'glass',
    steps: ['bottle'],
    when: always,
    text: 'A bottle breaks: throw away what stood open around it, and look at the rest against the light.',
  },
  {
    id: 'seals',
    steps: ['bottle'],
    when: ({ hotFill }) => hotFill === true,
    text: 'Look at caps and seals after 12 to 24 hours: a lid that gives when pressed, or a cap that was not heated, is no seal. Into the refrigerator with it.',
  },
  {
    id: 'chemicals',
    steps: ['blend'],
    when: ({ strongAcid }) => strongAcid === true,
    text: 'Lactic acid of 88 % and acetic acid of 80 % burn skin and eyes: glasses and gloves, acid into water, rinse for 15 minutes and see a doctor if it got into an eye.',
  },
  {
    id: 'chemicals',
    steps: ['read'],
    when: ({ lye }) => lye === true,
    text: 'Lye burns skin and eyes: glasses and gloves; rinse for 15 minutes and see a doctor if it got into an eye.',
  },
  {
    id: 'sale',
    steps: ['bottle'],
    when: always,
    text: 'For sale you need a licence, an inspected kitchen and a scheduled process from a process authority. Lactofer keeps the records; it approves nothing. Local rules win.',
  },
  {
    id: 'pressure',
    steps: ['pack', 'ferment'],
    when: ({ closed }) => closed === true,
    text: 'A closed vessel builds pressure. Burp it daily, away from your face; an airlock or loose lid is safer. Air the room.',
  },
  {
    id: 'pressure',
    steps: ['blend', 'bottle'],
    when: ({ liveSugar }) => liveSugar === true,
    text: 'Live and sweet: it ferments on and sealed bottles can burst. Keep it cold and vented, cook it, or leave the sugar out. A swing-top bottle does not vent.',
  },
  {
    id: 'pressure',
    steps: ['pack', 'ferment'],
    when: ({ vessels = 0 }) => vessels >= MANY_VESSELS,
    text: ({ vessels = 0 }) =>
      `${vessels} vessels in one room: their carbon dioxide is heavy and gathers low. Air the room before you go in, and do not sleep there.`,
  },
  {
    id: 'mould',
    steps: ['ferment'],
    when: ({ doubtful }) => doubtful === true,
    text: 'Mould, slime, a putrid smell: discard, do not taste, do not scoop it out and keep the rest. What you cannot tell, do not taste.',
  },
  {
    id: 'salt',
    steps: ['pack'],
    when: ({ saltPct, leastSaltPct = LEAST_SALT_PCT.usual }) => saltPct !== undefined && saltPct < leastSaltPct,
    text: ({ saltPct = 0, leastSaltPct = LEAST_SALT_PCT.usual }) =>
      `${saltPct.toFixed(1)} % salt, evened out: under about ${leastSaltPct} % of the total the wrong bacteria can win. More salt, or a strong starter and a daily pH.`,
  },
  {
    id: 'salt',
    steps: ['bottle'],
    when: ({ saltPct }) => saltPct !== undefined && saltPct >= HIGH_SALT_PCT,
    text: ({ saltPct = 0 }) =>
      `${saltPct.toFixed(1)} % salt: people on low-salt diets should know. Print the salt on the label.`,
  },
  {
    id: 'metals',
    steps: ['pack'],
    when: always,
    text: 'No aluminium, copper, zinc or unlined iron with acid and salt: glass, food plastic, stainless steel, sound glaze.',
  },
  {
    id: 'meter',
    steps: ['read'],
    when: always,
    text: 'Let the sample cool to the temperature the meter was calibrated at, rinse the electrode, and replace buffers that are old. An electrode with oil or pulp on it reads wrong: clean it before you calibrate.',
  },
  {
    id: 'capsaicin',
    steps: ['pack', 'press', 'blend'],
    when: ({ hasHotPeppers }) => hasHotPeppers === true,
    text: ({ cooked }, step) => {
      if (step === 'pack')
        return 'Hot peppers: gloves on, hands off your face, air the room when grinding. On skin: oil, then soap. In an eye: rinse with plenty of water.'
      return cooked
        ? 'Hot peppers: vapour burns eyes and lungs. Air the room, stand back, never blend boiling liquid in a sealed jug.'
        : 'Hot peppers: gloves and glasses on, air the room when blending.'
    },
  },
  {
    id: 'allergens',
    steps: ['pack', 'blend', 'bottle'],
    when: ({ allergens }) => (allergens?.length ?? 0) > 0,
    text: ({ allergens = [] }) =>
      `Contains ${allergens.join(', ')}. Declare it on the label and clean the bench before the next lot.`,
  },
  {
    id: 'kitchen',
    steps: ['end'],
    when: ({ ending }) => ending === 'eaten' || ending === 'given',
    text: ({ ending }) =>
      ending === 'given'
        ? `Tell them what is in it, how hot it is, and that it must stay cold. ${AT_RISK}`
        : `From a clean spoon, kept cold. ${AT_RISK}`,
  },
  {
    id: 'freezer',
    steps: ['end'],
    when: ({ ending }) => ending === 'frozen',
    text: 'Leave a fifth of air: it swells. Freezing stops it and kills little; thawed it is softer, and goes on in the warm.',
  },
  {
    id: 'honey',
    steps: ['pack', 'ferment', 'blend', 'bottle', 'end'],
    when: ({ honey }) => honey === true,
    text: HONEY_CAUTION,
  },
]

/**
 * The cautions that matter at a step. They tell what to do, are conservative, and leave the last word to local rules.
 */
export const cautionsFor = (step: Step, context: CautionContext): Caution[] =>
  RULES.filter(({ steps, when }) => steps.includes(step) && when(context)).map(({ id, text }) => ({
    id,
    text: typeof text === 'string' ? text : text(context, step),
  }))
