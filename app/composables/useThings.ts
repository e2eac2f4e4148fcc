import { propertiesOf, thingOfLot, type Thing } from '@lactofer/core'
import { useBook } from '~/stores/book'

/** What tells the weight of something that is said in cups, spoons or pieces: a material, or part of a lot. */
export function useThings() {
  const book = useBook()
  const ofLot = (lotId: string, name: string): Thing => {
    const composition = book.composition(lotId)
    return thingOfLot(name, composition ? propertiesOf(composition).densityGPerMl : 1)
  }
  function thingOf(of: { lotId?: string | undefined; materialId?: string | undefined; name: string }): Thing {
    if (of.lotId) return ofLot(of.lotId, of.name)
    const material = book.library.material(of.materialId ?? '')
    return material ?? { ...book.library.materialOrUnknown(of.materialId ?? ''), name: of.name }
  }
  return { thingOf }
}
