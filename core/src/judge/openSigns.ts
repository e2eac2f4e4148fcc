import { SIGN_KINDS, type SignId } from '../ferment/signKinds'
import { levelOfSign } from '../ferment/signs'
import type { EntryOf } from '../log/entry'
import type { History } from './history'
import type { Reason } from './reasons'

type Sign = EntryOf<'sign'>

/** How a sign stands to the lot: it keeps it from going on until it is settled, or not. */
function holds(sign: Sign): boolean {
  // Film recorded before there were questions still asks for a new pH.
  if (sign.level === undefined) return sign.sign === 'white film'
  return sign.holds ?? false
}

const QUESTIONS = new Map<SignId, number>(SIGN_KINDS.map(({ id, questions }) => [id, questions.length]))

/** A look that settles an earlier one of the same thing: every question answered, none of them "cannot tell". */
function settles(later: Sign, sign: Sign): boolean {
  const answers = later.answers ?? []
  return (
    later.sign === sign.sign &&
    Date.parse(later.at) >= Date.parse(sign.at) &&
    later.id !== sign.id &&
    !holds(later) &&
    levelOfSign(later) !== 'discard' &&
    answers.length >= (QUESTIONS.get(later.sign) ?? 0) &&
    !answers.includes('unsure')
  )
}

/**
 * Every sign of a lot that is open at a moment, ms: one that ends it stands until it is corrected; one that was not
 * settled, until the same thing was looked at again and could be told; film, until the pH was read after it.
 */
export function signReasons({ signs, acidity }: Pick<History, 'signs' | 'acidity'>, atMs: number): Reason[] {
  const seen = signs.filter(({ at }) => Date.parse(at) <= atMs)
  const lastPhMs = acidity.findLast((fact) => fact.atMs <= atMs)?.atMs ?? -Infinity
  const told = new Set<string>()
  return seen.flatMap((sign, index): Reason[] => {
    const facts = { sign: sign.sign, atMs: Date.parse(sign.at) }
    const level = levelOfSign(sign)
    const once = (code: 'bad sign' | 'open sign' | 'film since the pH'): Reason[] => {
      const key = `${code} ${sign.sign}`
      if (told.has(key)) return []
      told.add(key)
      return [{ code, facts }]
    }
    if (level === 'discard') return once('bad sign')
    if (!holds(sign) || seen.slice(index + 1).some((later) => settles(later, sign))) return []
    const film = level === 'act' || sign.level === undefined
    if (film) return lastPhMs > facts.atMs ? [] : once('film since the pH')
    return once('open sign')
  })
}
