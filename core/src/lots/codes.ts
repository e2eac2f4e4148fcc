import type { Lot } from '../log/lot'
import type { Book } from './fold'
import { alongSteps, type Step } from './steps'

/** A code as it is compared: capitals do not count. */
export const codeKey = (code: string): string => code.trim().toLowerCase()

/** Lots by the codes they have or had, as they are compared. Most codes are of one lot: no list for each. */
interface ByCode {
  one: Map<string, string>
  /** Where there are several: all of them. */
  several: Map<string, Set<string>>
}

const codesOf = (lot: Lot | undefined): string[] => (lot ? [lot.code, ...lot.formerCodes].map(codeKey) : [])

function put({ one, several }: ByCode, key: string, id: string): void {
  const other = one.get(key)
  if (other === undefined) one.set(key, id)
  else if (other !== id) several.set(key, (several.get(key) ?? new Set([other])).add(id))
}
function drop({ one, several }: ByCode, key: string, id: string): void {
  const only = one.get(key)
  const rest = several.get(key) ?? new Set(only === undefined ? [] : [only])
  rest.delete(id)
  const [first] = rest
  if (first === undefined) one.delete(key)
  else one.set(key, first)
  if (rest.size < 2) several.delete(key)
}
function allCodes(book: Book): ByCode {
  const found: ByCode = { one: new Map(), several: new Map() }
  for (const lot of book.lots.values()) for (const key of codesOf(lot)) put(found, key, lot.id)
  return found
}
function codesAfter(found: ByCode, { before, now, lotIds }: Step): ByCode {
  for (const id of lotIds) {
    for (const key of codesOf(before.lots.get(id))) drop(found, key, id)
    for (const key of codesOf(now.lots.get(id))) put(found, key, id)
  }
  return found
}
const byCode = alongSteps(allCodes, codesAfter)

/** Whether a lot of a book has a code, or had it; `except` does not count. */
export function codeTaken(book: Book, code: string, except?: string): boolean {
  const { one, several } = byCode(book)
  const key = codeKey(code)
  return several.has(key) || ![undefined, except].includes(one.get(key))
}

/** Lots that carry one code now, as it is compared: by it, where there are several; in the order of the book. */
export function lotsOfOneCode(book: Book): Map<string, Lot[]> {
  const { several } = byCode(book)
  const found = new Map<string, Lot[]>()
  for (const lot of several.size ? book.lots.values() : []) {
    const key = codeKey(lot.code)
    if (several.has(key)) found.set(key, [...(found.get(key) ?? []), lot])
  }
  for (const [key, lots] of found) if (lots.length < 2) found.delete(key)
  return found
}
