import type { Lot } from '../log/lot'
import type { Book } from './fold'
import { alongSteps, type Step } from './steps'

/** A code as it is compared: capitals do not count. */
export const codeKey = (code: string): string => code.trim().toLowerCase()

/** Lots by the codes they have or had, as they are compared. */
type ByCode = Map<string, Set<string>>

function put(found: ByCode, lot: Lot): void {
  for (const code of [lot.code, ...lot.formerCodes]) {
    const key = codeKey(code)
    const same = found.get(key)
    if (same) same.add(lot.id)
    else found.set(key, new Set([lot.id]))
  }
}
function allCodes(book: Book): ByCode {
  const found: ByCode = new Map()
  for (const lot of book.lots.values()) put(found, lot)
  return found
}
function codesAfter(found: ByCode, { before, now, lotIds }: Step): ByCode {
  for (const lotId of lotIds) {
    const [was, is] = [before.lots.get(lotId), now.lots.get(lotId)]
    for (const code of was ? [was.code, ...was.formerCodes] : []) found.get(codeKey(code))?.delete(lotId)
    if (is) put(found, is)
  }
  return found
}
const byCode = alongSteps(allCodes, codesAfter)

/** Whether a lot of a book has a code, or had it; `except` does not count. */
export const codeTaken = (book: Book, code: string, except?: string): boolean =>
  [...(byCode(book).get(codeKey(code)) ?? [])].some((id) => id !== except)
