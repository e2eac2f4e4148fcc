import { computed, type Ref } from 'vue'
import {
  inVessels,
  packedComposition,
  propertiesOf,
  readTemperatures,
  toldOnce,
  type Ask,
  type Book,
  type Level,
  type Lot,
  type VesselKind,
  measuredPhs,
} from '@lactofer/core'
import { LEVEL_WORDS } from '~/words/askWords'
import { useBook } from '~/stores/book'
import { grouped } from './grouped'
import { plankPieces, shelfScale, type PlankSizes, type Room } from './shelfScale'

/** From so many vessels on places become drawers: those that ask are drawn, the others stand as outlines. */
const MANY = 40

/** Vessels by what they ask for, and what they are called. */
export const WORDS = { all: 'All', ...LEVEL_WORDS, nothing: 'Nothing today' } as const
export type Shown = keyof typeof WORDS

/** A vessel as it is drawn. */
export interface DrawnVessel {
  vessel: VesselKind
  mark: string
  hot: boolean
  /** How full. */
  fraction: number
}

/**
 * A lot as it stands on the shelf: what it asks for, how it was read last, its vessels. How full they are is worked
 * out where they are drawn: of hundreds only those that are seen.
 */
export interface ShelfPlace {
  lot: Lot
  asks: readonly Ask[]
  level: Level | 'nothing'
  ph: string
  vessels: { vessel: VesselKind }[]
}

const stillThere = toldOnce(inVessels)
/** The vessels of a lot: kind, mark on the tape, HOT, what is in them, g. */
const vesselsOf = (book: Book, lot: Lot) =>
  stillThere(lot).flatMap(({ vesselId, mark, massG, hot }) => {
    const vessel = book.library.vessel(vesselId)
    return vessel ? [{ vessel, mark, hot, massG }] : []
  })

/** The vessels of a lot as they are drawn: kind, mark on the tape, HOT, how full. */
export function drawnVessels(book: Book, lot: Lot): DrawnVessel[] {
  const composition = packedComposition(book, lot)
  const density = composition ? propertiesOf(composition).densityGPerMl : 1
  return vesselsOf(book, lot).map(({ vessel, mark, hot, massG }) => ({
    ...{ vessel, mark, hot },
    fraction: massG / density / vessel.capacityMl,
  }))
}

/** How warm it was where these stand, by their last readings, °C. */
function warmthOf(placed: readonly ShelfPlace[]): number | null {
  const temps = placed.flatMap(({ lot }) => readTemperatures(lot).slice(-1)).map(({ tempC }) => tempC)
  return temps.length ? temps.reduce((sum, value) => sum + value, 0) / temps.length : null
}

/** Sizes of what is drawn on a plank. */
const sizesOf = (drawn: readonly ShelfPlace[]): PlankSizes => ({
  lots: drawn.map(({ vessels }) => ({
    widthsMm: vessels.map(({ vessel }) => vessel.widthMm),
    tallestMm: Math.max(0, ...vessels.map(({ vessel }) => vessel.heightMm)),
  })),
})

/**
 * The open vessels as they stand on the planks, filtered by what they ask for, and the one scale they are drawn to.
 * @param room what there is for the whole shelf, px. @param opened places whose quiet vessels are drawn, too.
 */
export function useShelf(shown: Ref<Shown>, room: Ref<Room>, opened: Ref<readonly string[]>) {
  const book = useBook()
  const byLot = computed(() => book.begun ?? grouped(book.asks, ({ lotId }) => lotId))
  /** Lots that were not looked at yet are not drawn: nothing is said of them. */
  const lots = computed(() => (book.begun ? book.fermenting.filter(({ id }) => book.begun!.has(id)) : book.fermenting))
  function placeOf(lot: Lot): ShelfPlace {
    const last = measuredPhs(lot).at(-1)?.ph
    const asks = byLot.value.get(lot.id) ?? []
    const vessels = vesselsOf(book.book, lot)
    const ph = last !== undefined ? `pH ${last.toFixed(2)}` : (book.homeMark(lot.id) ?? 'no pH yet')
    return { lot, asks, level: asks[0]?.level ?? 'nothing', ph, vessels }
  }
  const placed = computed(() => lots.value.map(placeOf))
  const countOf = (level: Shown) => placed.value.filter((one) => level === 'all' || one.level === level).length
  const chosen = computed(() => placed.value.filter(({ level }) => shown.value === 'all' || level === shown.value))
  const drawers = computed(() => chosen.value.reduce((sum, { vessels }) => sum + vessels.length, 0) > MANY)
  /** What is only an outline: past so many vessels those that ask for nothing, until their drawer is opened. */
  const isQuiet = ({ level, lot }: ShelfPlace) =>
    drawers.value && shown.value === 'all' && level === 'nothing' && !opened.value.includes(lot.place)
  /** The planks: each place with the vessels shown there, and how warm it was last read. */
  const places = computed(() => {
    const chosenAt = grouped(chosen.value, ({ lot }) => lot.place)
    return [...grouped(placed.value, ({ lot }) => lot.place)].flatMap(([place, all]) => {
      const here = chosenAt.get(place)
      if (!here) return []
      return [
        { place, here, tempC: warmthOf(all), drawn: here.filter((one) => !isQuiet(one)), quiet: here.filter(isQuiet) },
      ]
    })
  })
  const scale = computed(() =>
    shelfScale(
      places.value.map(({ drawn }) => sizesOf(drawn)),
      room.value,
    ),
  )
  /** What is drawn of a plank, in pieces of which those near the window are. */
  const piecesOf = (drawn: readonly ShelfPlace[]) =>
    plankPieces(sizesOf(drawn), scale.value, room.value.widthPx).map(({ from, to, heightPx }) => ({
      ...{ heightPx, lots: drawn.slice(from, to) },
    }))
  return {
    ...{ placed, chosen, drawers, scale },
    places: computed(() => places.value.map((plank) => ({ ...plank, pieces: piecesOf(plank.drawn) }))),
    /** How many lots of the shelf are still to be looked at. */
    unseen: computed(() => book.fermenting.length - lots.value.length),
    counts: computed(() =>
      book.begun
        ? [{ level: 'all' as const, count: book.fermenting.length }]
        : (Object.keys(WORDS) as Shown[])
            .map((level) => ({ level, count: countOf(level) }))
            .filter(({ count }) => count > 0),
    ),
  }
}
