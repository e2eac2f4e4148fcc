import { readAmount } from '../amount/read'
import { InvalidInput } from '../invalid'
import type { Material } from './material'
import { searchMaterials } from './materials'

/** A line as it is said: "1.2 kg cayenne", "juice of 2 limes"; `amount` in the maker's words. */
export interface IngredientLine {
  amount: string | null
  name: string
  found: Material[]
}

/** How words are an amount: with a unit, or a number alone; a question about an amount belongs to it. */
function amountKind(words: string): 'unit' | 'bare' | null {
  try {
    const { kind } = readAmount(words)
    return kind === 'bare' || (kind === 'pieces' && /^(?:the\s+)?juice\b/i.test(words)) ? 'bare' : 'unit'
  } catch (error) {
    if (!(error instanceof InvalidInput)) throw error
    return error.suggestions.length > 0 ? 'unit' : null
  }
}

const HOW =
  /\b(?:of|fresh(?:ly)?|chopped|sliced|diced|minced|grated|shredded|crushed|ground|peeled|ripe|whole|large|small|medium|big|raw)\b/gi
const singular = (word: string) =>
  word
    .replace(/leaves$/i, 'leaf')
    .replace(/ies$/i, 'i')
    .replace(/(o|sh|ch)es$/i, '$1')
    .replace(/([^s])s$/i, '$1')

/** What a name may mean: as it stands, without how it was prepared, as one; what is called just that first. */
function searched(materials: readonly Material[], name: string): Material[] {
  const bare = name.replace(HOW, ' ').replace(/\s+/g, ' ').trim()
  const one = bare.split(' ').map(singular).join(' ').toLowerCase()
  const found = new Set([name, bare, one].flatMap((query) => (query ? searchMaterials(materials, query) : [])))
  const called = ({ name: its, names }: Material) => [its, ...names].map((word) => word.toLowerCase())
  const rank = (material: Material): number => {
    if (called(material).some((word) => word === one || word === bare.toLowerCase())) return 0
    return singular(called(material)[0]?.split(/[ ,]/)[0] ?? '') === one ? 1 : 2
  }
  return [...found].sort((a, b) => rank(a) - rank(b))
}

/**
 * Splits a line into its amount and what it is of: the longest amount that leaves a name the library knows. Without an
 * amount the whole is a name.
 */
export function ingredientLine(materials: readonly Material[], text: string): IngredientLine {
  const line = text.trim().replace(/^(\d[\d.,/]*)(kg|g|lb|oz|ml|l)(?=\s)/i, '$1 $2')
  if (
    !/^(?:[\d½¼¾⅓⅔⅛~.]|(?:an?|the|one|two|three|four|five|six|seven|eight|nine|ten|half|about|heaped|level|juice|couple|few)\b)/i.test(
      line,
    )
  )
    return { amount: null, name: line, found: searched(materials, line) }
  const words = line.split(/\s+/)
  const juice = /^(?:the\s+)?juice\s+(?:of|from)\b/i.test(line)
  for (let count = words.length - 1; count > 0; count--) {
    const amount = words.slice(0, count).join(' ')
    const name = words
      .slice(count)
      .join(' ')
      .replace(/^of\s+/i, '')
    const kind = amountKind(amount)
    if (!kind) continue
    const found = searched(materials, juice ? `${name.split(/\s+/).map(singular).join(' ')} juice` : name)
    // A number alone counts what follows: "3 limes", "2 bay leaves".
    if (found.length) return { amount: kind === 'bare' ? line : amount.replace(/\s+of$/i, ''), name, found }
  }
  return { amount: null, name: line, found: searched(materials, line) }
}
