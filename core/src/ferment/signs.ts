import type { Level } from '../level'
import type { SignId } from './signKinds'

/**
 * What is known of the lot when it is looked at. `fell` whether its pH has come down since the start; `null` where
 * nobody read it twice.
 */
export interface SignContext {
  day: number
  ph: number | null
  fell: boolean | null
}

/** What a sign comes to: cause, action, level. `holds` keeps the lot from being ready until it is looked at again. */
export interface SignVerdict {
  level: Level
  cause: string
  action: string
  holds: boolean
}

const THROW =
  'Throw all of it away, unopened where it can be. Do not taste it, do not scoop it out and keep the rest. Wash the vessel hot, and your hands.'
const AGAIN =
  'Do not taste it. Set it apart, look again by daylight within a day, and read the pH. If you still cannot tell, throw it away.'
const found = (level: Level, cause: string, action: string, holds = false): SignVerdict => ({
  level,
  cause,
  action,
  holds: holds || level === 'discard',
})
const MOULD = found('discard', 'Mould. It reaches deeper than can be seen.', THROW)
const ROT = found('discard', 'Spoilage.', THROW)
const ROPE = found('discard', 'The wrong bacteria: warm, or too little salt.', THROW)
const DOUBT = found('ask', 'It cannot be told from here.', AGAIN, true)

/**
 * pH at or under which a film is skimmed without asking further. Science of the handbook: film eats acid. Judgement.
 */
const FILM_PH = 4.0
/** Foam is the ferment's own gas to this day, and yeast's after the other. Common practice. */
const OWN_FOAM_DAY = 5
const YEAST_DAY = 10

/** What is known when a sign is judged: answers given, and the lot. `said` tells whether an answer was among them. */
interface SignCase extends SignContext {
  said: (id: string) => boolean
  answered: boolean
}

const SOFT = found(
  'ask',
  'Warmth, little salt, or the produce’s own enzymes.',
  'pH and smell decide. Move it to the cold, or make it a sauce.',
)
const YEASTY = found('act', 'Yeast.', 'Move it to the cold, and seal no bottle of it. Read the pH.')

function judgeFilm({ said, ph }: SignCase): SignVerdict {
  if (!said('flat') && !said('wrinkled')) return DOUBT
  if (said('clean') && ph !== null && ph <= FILM_PH)
    return found(
      'act',
      'Film yeast. Harmless by itself, but it eats acid and the pH can rise.',
      'Skim it, wipe the rim, keep air out, read the pH again within a day. Some stir it in: the log keeps which you did.',
      true,
    )
  const last = ph === null ? '' : ` (last ${ph.toFixed(2)})`
  return found(
    'ask',
    'Most likely film yeast, but the smell or the pH does not settle it.',
    `Skim it, do not taste it, and read the pH now${last}. It must stand at or under ${FILM_PH.toFixed(1)}.`,
    true,
  )
}

function judgeFoam({ said, day }: SignCase): SignVerdict {
  if (day <= OWN_FOAM_DAY && (said('clean') || said('boozy')))
    return found(
      'fine',
      'Gas of the first days.',
      'Loosen the lid, stand it in a tray, press the pieces back under. If it keeps pushing out, share it into two jars.',
    )
  if (day > YEAST_DAY || said('boozy')) return YEASTY
  return said('clean')
    ? found('fine', 'Gas of a lively ferment.', 'Give it headspace; look again in a day or two.')
    : DOUBT
}

/** Pieces in the air: for over a day they are looked at closely. */
function judgeBared({ said }: SignCase, cause: string, soon: string, late: string): SignVerdict {
  if (!said('flat') && !(said('day') && !said('unsure'))) return DOUBT
  return found('act', cause, said('longer') ? late : soon)
}

function judgePink({ said }: SignCase): SignVerdict {
  if (said('own')) return found('fine', 'Colour of the produce.', 'Nothing.')
  return said('patches') ? found('discard', 'Yeast that likes uneven salt, or worse.', THROW) : DOUBT
}

function judgeSlime({ said }: SignCase): SignVerdict {
  if (said('runs')) return found('fine', 'Thick, but not ropey: juice and pectin.', 'Nothing; look again in a day.')
  return said('unsure') ? DOUBT : ROPE
}

/** Sulphur of garlic, radish and cabbage goes within days. Common practice. */
const SULPHUR_DAYS = 7
const SULPHUR = found(
  'ask',
  'Sulphur of garlic, radish or cabbage: common in the first days, and it goes.',
  'Air it, wait, and smell again in two days. Until then nothing is made of it; smell clears nothing, the pH decides.',
  true,
)

function judgeSmell({ said, day }: SignCase): SignVerdict {
  if (said('clean')) return found('fine', 'Sour is as it should be.', 'Nothing.')
  if (said('boozy')) return YEASTY
  if (said('sulphur')) return day <= SULPHUR_DAYS ? SULPHUR : DOUBT
  return said('unsure') ? DOUBT : ROT
}

function judgeBag({ said, answered, fell }: SignCase): SignVerdict {
  if (!said('clean') && !said('boozy') && answered) return DOUBT
  return fell === false
    ? found(
        'ask',
        'Gas, but the pH is not falling.',
        'Vent it away from your face and reseal. Read the pH today: gas without acid is not a good sign.',
        true,
      )
    : found(
        fell ? 'act' : 'ask',
        'Carbon dioxide of the bacteria: normal while the pH falls.',
        'Vent it away from your face and reseal. Read the pH if you have not for some days.',
      )
}

/** How each sign is judged, once its answers are neither fur nor foul nor ropes. */
const JUDGES: Record<SignId, (of: SignCase) => SignVerdict> = {
  bubbles: () => found('fine', 'The bacteria at work.', 'Nothing. Keep everything under the liquid.'),
  calm: () =>
    found('fine', 'The lively part is over.', 'Read the pH; two readings a day apart at the target make it ready.'),
  'fuzzy growth': (of) => (of.said('flat') ? judgeFilm(of) : MOULD),
  'white film': judgeFilm,
  specks: ({ said }) =>
    said('lid') && said('flat')
      ? found(
          'ask',
          'Corrosion or drops that dried, as long as it stays flat and dry.',
          'Change the lid, wipe the rim, and look again tomorrow.',
        )
      : DOUBT,
  foam: judgeFoam,
  cloud: ({ said }) => {
    if (!said('runs')) return DOUBT
    if (said('boozy')) return YEASTY
    return said('clean')
      ? found('fine', 'The bacteria themselves.', 'Nothing. A clear brine would be the surprise.')
      : DOUBT
  },
  sediment: ({ said, answered }) =>
    said('runs') || !answered ? found('fine', 'Bacteria that settled.', 'Nothing.') : DOUBT,
  floaters: (of) =>
    judgeBared(
      of,
      'Gas caught in the pieces.',
      'Press them under and weigh them down.',
      'Press them under and weigh them down. They stood in the air for over a day: look closely for fur, and read the pH.',
    ),
  'not covered': (of) =>
    judgeBared(
      of,
      'Overflow, or pieces that drank it.',
      'Top up with brine of the same strength, or juice.',
      'Top up with brine of the same strength. It stood dry for over a day: look closely for fur, and read the pH.',
    ),
  'pink colour': judgePink,
  slime: judgeSlime,
  'putrid smell': judgeSmell,
  'bag ballooned': judgeBag,
  'no bubbles': ({ ph }) =>
    ph !== null && ph <= 4.6
      ? found('fine', 'It may leak its gas, or work quietly: the pH has fallen.', 'Nothing. Check the seal.')
      : found(
          'ask',
          'Too cold, too salty, too much of it cooked, or the lid leaks.',
          'Read the pH and the temperature: the clock decides.',
        ),
  'tight lid': ({ said, answered }) =>
    said('clean') || said('boozy') || !answered
      ? found(
          'act',
          'Gas that could not get out. It shows pressure, and says nothing about how sour it is.',
          'Loosen it over a sink, away from your face; from now on daily, or fit an airlock.',
        )
      : DOUBT,
  'blue garlic': ({ said }) =>
    said('garlic') && said('flat')
      ? found('fine', 'Garlic’s own sulphur turns blue or green in acid: harmless.', 'Nothing.')
      : DOUBT,
  'salt crystals': ({ said }) =>
    said('melts') && said('flat')
      ? found(
          'fine',
          'Salt that dried there.',
          'Wipe it back in with a drop of the brine; stir or shake before you taste.',
        )
      : DOUBT,
  squeezed: (of) => {
    if (!of.said('clean') && !of.said('boozy')) return DOUBT
    if (of.said('firm'))
      return found('fine', 'Still crisp.', 'As you like it: more time makes it softer, the cold keeps it crisp.')
    if (of.said('holds'))
      return found('fine', 'Soft, and it holds.', 'As it is when it is done. How sour it is decides.')
    return of.said('mush') ? SOFT : DOUBT
  },
  soft: ({ said }) => (said('clean') || said('boozy') ? SOFT : DOUBT),
}

/**
 * Judges a sign by the answers to its questions. Conservative: what cannot be told is never cleared, and nothing
 * doubtful is tasted.
 * @param answers ids of answers, in any order; missing ones count as "cannot tell" where they decide.
 */
export function judgeSign(sign: SignId, answers: readonly string[], context: SignContext): SignVerdict {
  const said = (id: string) => answers.includes(id)
  if (said('furry') || said('coloured')) return MOULD
  if (said('foul')) return ROT
  if (said('ropes')) return ROPE
  return JUDGES[sign]({ ...context, said, answered: answers.length > 0 })
}

/** Signs that end a lot where nothing was asked: as they were recorded before there were questions. */
const ALWAYS_BAD: readonly SignId[] = ['fuzzy growth', 'slime', 'putrid smell', 'pink colour']

/** The level of a recorded sign. */
export const levelOfSign = ({ sign, level }: { sign: SignId; level?: Level | undefined }): Level =>
  level ?? (ALWAYS_BAD.includes(sign) ? 'discard' : 'fine')
