import { counted, dayInWords } from '../units/counted'
import type { Reason } from '../judge/reasons'
import { ruleOf, tellReason, type Tell } from './judgement'

const lowerFirst = (text: string) => text.charAt(0).toLowerCase() + text.slice(1)

/** What a task rests on, by its code. */
export interface TaskFacts {
  discard: { reason: Reason }
  'read behind': { reason: Reason }
  'read again': { reason: Reason }
  'read the pH': { reason: Reason }
  'look again': { reason: Reason }
  'read the jars': { reason: Reason }
  /** One jar of several is behind the others. */
  'read the jar': { mark: string; reason: Reason }
  cool: { reason: Reason }
  'mend the salt': { reason: Reason }
  'check the salt': { reason: Reason }
  start: { reason: Reason }
  'ask somebody': { reason: Reason }
  /** Somebody without a meter: a strip would tell. */
  strip: { reason: Reason }
  /** Bubbles, cloud, taste: the first taste, or a day's look; whether a taste is due, and whether it is allowed. */
  look: { first: boolean; taste: boolean; may: boolean }
  /** Likely under 4.6 by eye and tongue: whether it is ready is the tongue's to say. */
  'call it': { reason: Reason }
  'keep it cold': { reason: Reason }
  'look over': object
  'taste or read': { meter: boolean }
  'look again by': { dueMs: number }
  stopped: { reason: Reason }
  /** A chore of the style, in the words of the style. */
  chore: { title: string; why: string }
  vent: object
  skim: object
  'read after film': object
  cover: object
  submerge: object
  refill: object
  press: { reason: Reason | null }
  'finished pH': object
  'its blend is missing': { held: boolean }
  release: { sentence: string }
  'not released': { held: boolean; check: string; sentence: string }
  'stopped after release': { sentence: string }
  'test bottle': object
  'past best before': { left: number; bestBefore: string }
  'best before soon': { left: number; days: number }
}
export type TaskCode = keyof TaskFacts

interface Said {
  title: string
  why: string
}
const reasoned =
  (title: string) =>
  ({ reason }: { reason: Reason }, tell: Tell): Said => ({ title, why: tellReason(reason, tell) })
const always = (title: string, why: string) => (): Said => ({ title, why })
const heldWord = (held: boolean) => (held ? 'Held' : 'Not released')

/** What a task is called and why it stands, in words. */
const TASKS: { [Code in TaskCode]: (facts: TaskFacts[Code], tell: Tell) => Said } = {
  discard: ({ reason }, tell) =>
    reason.code === 'bad sign'
      ? {
          title: `Discard: ${reason.facts.sign}`,
          why: 'Do not taste it, do not scoop it out and keep the rest.',
        }
      : { title: 'Discard', why: tellReason(reason, tell) },
  'read behind': reasoned('Read pH: behind'),
  'read again': reasoned('Read pH again: it does not fit'),
  'read the pH': reasoned('Read pH'),
  'look again': reasoned('Look again'),
  'read the jars': reasoned('Read the other jars'),
  'read the jar': ({ mark, reason }, tell) => ({ title: `Read pH: jar ${mark}`, why: tellReason(reason, tell) }),
  cool: reasoned('Move it: too warm'),
  'mend the salt': reasoned('Too little salt'),
  'check the salt': reasoned('The salt may be too weak'),
  start: reasoned('Nothing starts it'),
  'ask somebody': reasoned('Ask somebody who knows'),
  strip: reasoned('A strip would tell'),
  look: ({ first, taste, may }) =>
    first
      ? {
          title: 'Taste it once now',
          why: 'How sour it is before it begins: later tastes are laid beside it. Stir or shake first, salt lies on top.',
        }
      : {
          title: taste ? 'Look, and taste a drop' : 'Look and listen',
          why: taste
            ? 'With a clean spoon; shake or stir it first. Spit it out if it seems wrong.'
            : may
              ? 'What gas it makes tells whether it goes on.'
              : 'Do not taste it yet: only once it bubbled, in its time, with nothing doubtful.',
        },
  'call it': reasoned('Likely sour: call it ready, or wait'),
  'keep it cold': reasoned('Ready by taste: into the cold'),
  'look over': always('Look it over', 'Covered? Wipe the rim, top up with brine of the same strength if it sank.'),
  'taste or read': ({ meter }) => ({
    title: meter ? 'Read it, once a month' : 'Taste it, once a month',
    why: 'It goes on slowly in the cold. A rise, or a taste that turned, says look closer.',
  }),
  'look again by': ({ dueMs }, tell) => ({
    title: 'Look again: it is past its best by now',
    why: `Kept as it is since its last pH; ${tell(dueMs)} was the day. Smell it, read it, taste it; then eat it or keep it on.`,
  }),
  stopped: ({ reason }, tell) => ({ title: 'It stops here', why: `${tellReason(reason, tell)} ${ruleOf(reason)}` }),
  chore: (facts) => facts,
  vent: always('Vent the bag and reseal', 'It is full of gas; normal while the pH falls.'),
  skim: always('Skim the white film', 'Film lets air spoil it and eats acid.'),
  'read after film': always('Read pH after the film', 'Film eats acid: the pH can rise.'),
  cover: always(
    'Top up: cover it with juice or brine',
    'What stands clear of its liquid moulds. Same strength as inside.',
  ),
  submerge: always('Press the pieces under', 'What stands in the air moulds.'),
  refill: always('Draw off and refill', 'The pods give a second vinegar; one refill, not two.'),
  press: ({ reason }, tell) => ({
    title: 'Ready to press',
    why: reason ? tellReason(reason, tell) : 'You called it ready.',
  }),
  'finished pH': always('Read the finished pH', 'A day has passed since blending: it has evened out.'),
  'its blend is missing': ({ held }) => ({
    title: `${heldWord(held)}: its blend is not in this log`,
    why: 'Take in the log it was made in.',
  }),
  release: ({ sentence }) => ({ title: 'Ready to release', why: sentence || 'Every check passes.' }),
  'not released': ({ held, check, sentence }) => ({
    title: `${heldWord(held)}: ${check ? lowerFirst(check) : 'look at it'}`,
    why: sentence,
  }),
  'stopped after release': ({ sentence }) => ({
    title: 'Released, but a check stops it now',
    why: `Something was corrected since. ${sentence}`,
  }),
  'test bottle': always(
    'Squeeze the test bottle',
    'Hard as a ball means gas: cool them all, vent them over a sink, away from your face.',
  ),
  'past best before': ({ left, bestBefore }) => ({
    title: 'Past its best before',
    why: `${counted(left, 'bottle')}, ${dayInWords(bestBefore)}. Taste and read one, or take them off.`,
  }),
  'best before soon': ({ left, days }) => ({
    title: `Best before in ${days} ${days === 1 ? 'day' : 'days'}`,
    why: `${left} bottles: these first.`,
  }),
}

/** A task in words. */
export const taskWords = <Code extends TaskCode>(code: Code, facts: TaskFacts[Code], tell: Tell): Said =>
  TASKS[code](facts, tell)
