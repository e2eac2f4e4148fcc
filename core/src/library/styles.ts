import type { Style } from './style'
import { STYLES as TABLE } from './styleTable'

/** A style by its id. */
export type StyleId = (typeof TABLE)[number]['id']

/** All ways of making a base. A style is a row of the table and nothing else: no code asks for one by its id. */
export const STYLES: readonly (Style & { id: StyleId })[] = TABLE
export const STYLE_IDS = TABLE.map(({ id }) => id)

/** The style a plan begins with. */
export const USUAL_STYLE: StyleId = 'mash'

const BY_ID = new Map(STYLES.map((style) => [style.id, style]))

/** A style by its id; every id of the type is in the table. */
export function styleById(id: StyleId): Style & { id: StyleId } {
  const style = BY_ID.get(id)
  if (!style) throw new Error(`No style ${id}`)
  return style
}
