import { InvalidInput } from '../invalid'
import type { SaltKind } from './spoons'

/** Words for a salt; those that fit several are asked. */
const SALT_WORDS: readonly (readonly [RegExp, readonly string[]])[] = [
  [/\b(?:dense|heavy) kosher\b/, ['dense-kosher']],
  [/\b(?:flaky|flake|light) (?:kosher|sea)\b|\b(?:flaky|flakes?)\b/, ['flaky-kosher']],
  [/\bkosher\b/, ['dense-kosher', 'flaky-kosher']],
  [/\bcoarse(?: sea)?\b/, ['coarse-sea']],
  [/\bfine(?:ly ground)?(?: sea)?\b/, ['fine-sea']],
  [/\b(?:pickling|canning)\b/, ['pickling']],
  [/\btable\b/, ['table']],
  [/\bpink\b/, ['pink']],
  [/\brock\b/, ['rock']],
  [/\bsea\b/, ['fine-sea', 'coarse-sea']],
]

/** Which salt the words name; what is left without them. @throws InvalidInput where two fit. */
export function saltNamed(text: string, salts: readonly SaltKind[], inUse: string): { saltId: string; rest: string } {
  const own = salts.find(({ name }) => text.includes(name.toLowerCase()))
  if (own) return { saltId: own.id, rest: text.replace(own.name.toLowerCase(), ' ').replace(/\bsalt\b/, ' ') }
  for (const [words, ids] of SALT_WORDS) {
    const found = words.exec(text)?.[0]
    if (found === undefined) continue
    if (ids.length > 1 && !ids.includes(inUse)) {
      const choices = ids.map((id) =>
        text.replace(words, salts.find((salt) => salt.id === id)?.name.replace(/ salt$/, '') ?? id),
      )
      throw new InvalidInput('Spoons of these two salts differ. Which one is it?', ...choices)
    }
    const saltId = ids.includes(inUse) ? inUse : (ids[0] ?? inUse)
    return { saltId, rest: text.replace(words, ' ').replace(/\bsalt\b/, ' ') }
  }
  return { saltId: inUse, rest: text.replace(/\bsalt\b/, ' ') }
}
