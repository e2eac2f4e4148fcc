import { computed, type Ref } from 'vue'
import {
  inVessels,
  packedComposition,
  propertiesOf,
  readTemperatures,
  type Ask,
  type Level,
  type Lot,
  type VesselKind,
  measuredPhs,
} from '@lactofer/core'
import { LEVEL_WORDS } from '~/words/askWords'
import { useBook } from '~/stores/book'

/** From so many vessels on they are drawn small. */
const MANY = 30

/** Vessels by what they ask for, and what they are called. */
export const WORDS = { all: 'All', ...LEVEL_WORDS, nothing: 'Nothing today' } as const
export type Shown = keyof typeof WORDS

interface ShelfPlace {
  lot: Lot
  asks: Ask[]
  level: Level | 'nothing'
  ph: string
  vessels: { vessel: VesselKind; mark: string; hot: boolean; fraction: number }[]
}

/** A plank: a place with the vessels shown there, and how warm it was last read. */
function plankOf(place: string, placed: readonly ShelfPlace[], chosen: readonly ShelfPlace[]) {
  const here = chosen.filter(({ lot }) => lot.place === place)
  const temps = placed
    .filter(({ lot }) => lot.place === place)
    .flatMap(({ lot }) => readTemperatures(lot).slice(-1))
    .map(({ tempC }) => tempC)
  return {
    place,
    here,
    tempC: temps.length ? temps.reduce((sum, value) => sum + value, 0) / temps.length : null,
    tallest: Math.max(0, ...here.flatMap(({ vessels }) => vessels.map(({ vessel }) => vessel.heightMm))),
  }
}

/** The open vessels as they stand on the planks, filtered by what they ask for, and the scale they are drawn to. */
export function useShelf(shown: Ref<Shown>) {
  const book = useBook()
  const byLot = computed(() => {
    const asks = new Map<string, Ask[]>()
    for (const ask of book.asks) asks.set(ask.lotId, [...(asks.get(ask.lotId) ?? []), ask])
    return asks
  })
  function placeOf(lot: Lot): ShelfPlace {
    const composition = packedComposition(book.book, lot)
    const density = composition ? propertiesOf(composition).densityGPerMl : 1
    const last = measuredPhs(lot).at(-1)?.ph
    const asks = byLot.value.get(lot.id) ?? []
    const vessels = inVessels(lot).flatMap(({ vesselId, mark, massG, hot }) => {
      const vessel = book.library.vessel(vesselId)
      return vessel ? [{ vessel, mark, hot, fraction: massG / density / vessel.capacityMl }] : []
    })
    const ph = last !== undefined ? `pH ${last.toFixed(2)}` : book.notMeasured(lot.id) ? 'not measured' : 'no pH yet'
    return { lot, asks, level: asks[0]?.level ?? 'nothing', ph, vessels }
  }
  const placed = computed(() => book.fermenting.map(placeOf))
  const countOf = (level: Shown) => placed.value.filter((one) => level === 'all' || one.level === level).length
  const chosen = computed(() => placed.value.filter(({ level }) => shown.value === 'all' || level === shown.value))
  const small = computed(() => chosen.value.reduce((sum, { vessels }) => sum + vessels.length, 0) > MANY)
  const places = computed(() =>
    [...new Set(placed.value.map(({ lot }) => lot.place))]
      .map((place) => plankOf(place, placed.value, chosen.value))
      .filter(({ here }) => here.length > 0),
  )
  return {
    placed,
    chosen,
    small,
    places,
    counts: computed(() =>
      (Object.keys(WORDS) as Shown[])
        .map((level) => ({ level, count: countOf(level) }))
        .filter(({ count }) => count > 0),
    ),
    scale: computed(() => {
      const tallest = Math.max(1, ...places.value.map((plank) => plank.tallest))
      return Math.min(small.value ? 0.22 : 0.5, (small.value ? 110 : 230) / tallest)
    }),
  }
}
