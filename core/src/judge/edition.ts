import type { Judgement } from './judgement'
import { bottomOf, type Reason, type ReasonCode } from './reasons'

/** Counts up with every change of the rules that may make a verdict of an old log another. */
export const RULES_EDITION = 2

/** What holds or lets go since the last of them. */
const SINCE: readonly ReasonCode[] = [
  'nothing keeps it yet',
  'sour as worked out',
  'kept by salt and cold',
  'past its days in the cold',
  'salty and late',
  'may have passed late',
  'under oil',
  'too long under oil',
  'bottle over the limit',
]

/** The reason that a rule of this edition gives for where a lot stands; `null` where it stands as before. */
export const newReason = ({ reasons }: Judgement): Reason | null =>
  reasons.find((reason) => SINCE.includes(bottomOf(reason).code)) ?? null
