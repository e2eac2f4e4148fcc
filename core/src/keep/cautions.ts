import type { Allergen } from '../library/material'

/** Where a caution is shown. */
export type Step = 'pack' | 'ferment' | 'press' | 'blend' | 'bottle'

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
  allergens?: readonly Allergen[]
  honey?: boolean
}

/** A caution with its number in the handbook's list and what to do. */
export interface Caution {
  id: 'botulism' | 'sale' | 'pressure' | 'capsaicin' | 'allergens' | 'honey' | 'scald'
  text: string
}

/**
 * The cautions that matter at a step. They tell what to do, are conservative, and leave the last word to local rules.
 */
export function cautionsFor(step: Step, context: CautionContext): Caution[] {
  const found: Caution[] = []
  if (step === 'ferment' && context.aboveLine) {
    found.push({
      id: 'botulism',
      text: 'Above pH 4.6 dangerous bacteria can grow. If it is not below 4.6 in the time shown, discard it and do not taste it. Cooling is not a rescue.',
    })
  }
  if (step === 'blend' && context.aboveLimit) {
    found.push({
      id: 'botulism',
      text: 'The pH may stand over 4.0. Under 4.6 always, under 4.0 to be released: more acid, less fruit. Read the finished, evened-out sauce with a calibrated meter.',
    })
  }
  if (step === 'bottle') {
    found.push({
      id: 'botulism',
      text: 'Judge by the finished, evened-out pH, read with a meter calibrated on two buffers. Mash, garlic or herbs under oil: cold only, and short.',
    })
    if (context.hotFill)
      found.push({
        id: 'scald',
        text: 'Hot sauce scalds, cold glass bursts: warm the bottles, wear gloves, stand them in a tray. Nothing of aluminium, copper or zinc.',
      })
    found.push({
      id: 'sale',
      text: 'For sale you need a licence, an inspected kitchen and a scheduled process from a process authority. Lactofer keeps the records; it approves nothing. Local rules win.',
    })
  }
  if (context.closed && (step === 'pack' || step === 'ferment')) {
    found.push({
      id: 'pressure',
      text: 'A closed vessel builds pressure. Burp it daily, away from your face; an airlock or loose lid is safer. Air the room.',
    })
  }
  if (context.liveSugar && (step === 'blend' || step === 'bottle')) {
    found.push({
      id: 'pressure',
      text: 'Live and sweet: it ferments on and sealed bottles can burst. Keep it cold and vented, cook it, or leave the sugar out.',
    })
  }
  if (context.hasHotPeppers && (step === 'pack' || step === 'press' || step === 'blend')) {
    found.push({
      id: 'capsaicin',
      text:
        step === 'pack'
          ? 'Hot peppers: gloves on, hands off your face, air the room when grinding.'
          : context.cooked
            ? 'Hot peppers: vapour burns eyes and lungs. Air the room, stand back, never blend boiling liquid in a sealed jug.'
            : 'Hot peppers: gloves and glasses on, air the room when blending.',
    })
  }
  if (context.allergens?.length && (step === 'pack' || step === 'blend' || step === 'bottle')) {
    found.push({
      id: 'allergens',
      text: `Contains ${context.allergens.join(', ')}. Declare it on the label and clean the bench before the next lot.`,
    })
  }
  if (context.honey && (step === 'blend' || step === 'bottle')) {
    found.push({ id: 'honey', text: 'Honey: not for infants under one year. Say so on the label.' })
  }
  return found
}
