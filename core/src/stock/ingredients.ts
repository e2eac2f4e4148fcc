import type { Book } from '../log/fold'
import type { Content } from './lotComposition'

/** Names and masses of everything that went into `massG` of a lot, down to what was weighed in. */
export function ingredientsOf(book: Book, lotId: string, path: readonly string[] = []): { name: string, massG: number }[] {
  const lot = book.lots.get(lotId)
  if (!lot || path.includes(lotId)) return []
  const further = [...path, lotId]
  const { made } = lot
  const sums = new Map<string, number>()
  const add = (name: string, massG: number) => {
    if (massG > 0) sums.set(name, (sums.get(name) ?? 0) + massG)
  }
  const addLot = (sourceId: string, massG: number) => {
    const source = book.lots.get(sourceId)
    const parts = ingredientsOf(book, sourceId, further)
    const total = parts.reduce((sum, part) => sum + part.massG, 0)
    if (!source || total <= 0) add(source?.name ?? 'Unknown lot', massG)
    else for (const part of parts) add(part.name, part.massG * massG / total)
  }
  const addRows = (rows: readonly { lotId?: string | undefined, name: string, massG: number }[]) => {
    for (const { lotId: sourceId, name, massG } of rows) {
      if (sourceId) addLot(sourceId, massG)
      else add(name, massG)
    }
  }
  const addContent = ({ rows, waterG, saltG }: Content) => {
    addRows(rows)
    add('Water', waterG)
    add('Salt', saltG)
  }
  switch (made.kind) {
    case 'plan':
      for (const content of [lot.weighed ?? made, ...lot.added]) addContent(content)
      break
    case 'stock':
      if (made.ingredients?.length) for (const name of made.ingredients) add(name, made.massG / made.ingredients.length)
      else add(made.name, made.massG)
      break
    case 'press':
      addLot(made.fromLotId, lot.madeG)
      break
    case 'blend':
      addRows(made.parts)
      for (const content of lot.added) addContent(content)
      break
    case 'bottle':
      addLot(made.fromLotId, made.usedG)
      break
  }
  return [...sums].map(([name, massG]) => ({ name, massG })).sort((a, b) => b.massG - a.massG || (a.name < b.name ? -1 : 1))
}
