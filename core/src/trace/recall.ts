import type { Book } from '../lots/fold'
import { descendants } from '../lots/lineage'
import { addedG, type BottlesOut, type Flow, type Lot } from '../log/lot'

/** Bottles of one run in a recall: how much of the lot in question is in it, percent, and where each of them is. */
export interface RecallRun {
  lot: Lot
  sharePct: number
  made: number
  here: number
  retained: number
  discarded: number
  out: BottlesOut[]
  short: number
}

/** What a recall has to find: every run that holds some of a lot, and what else of it stands in stock. */
export interface Recall {
  lot: Lot
  runs: RecallRun[]
  /** Ferments, bases, blends that hold some of it and are not used up. */
  stock: { lot: Lot; sharePct: number; leftG: number }[]
  made: number
  here: number
  retained: number
  discarded: number
  out: number
  short: number
  /**
   * Whether every bottle is accounted for: made = here + retained + discarded + out − what was said to have left past
   * what there was.
   */
  adds: boolean
  /** To whom, how many, newest last. */
  to: { to: string; how: BottlesOut['how']; count: number; lastMs: number }[]
}

/** Share of a lot by weight in each lot it went into, itself 1. */
function sharesFrom(book: Book, lot: Lot, kin: readonly Lot[]): Map<string, number> {
  const shares = new Map([[lot.id, 1]])
  const within = new Set(kin.map(({ id }) => id))
  const shareOf = (of: Lot, path: readonly string[]): number => {
    const known = shares.get(of.id)
    if (known !== undefined) return known
    if (path.includes(of.id)) return 0
    // A pressing leaves something behind: its mash is in it as it was in the mash.
    const inIt = ({ lotId, massG }: Flow) =>
      of.made.kind === 'press' && lotId === of.made.fromLotId ? of.madeG - addedG(of) : massG
    const massG = of.from.reduce(
      (sum, flow) =>
        sum +
        (flow.lotId === lot.id || within.has(flow.lotId)
          ? inIt(flow) * shareOf(book.lots.get(flow.lotId) ?? of, [...path, of.id])
          : 0),
      0,
    )
    const share = of.madeG > 0 ? Math.min(1, massG / of.madeG) : 0
    shares.set(of.id, share)
    return share
  }
  for (const of of kin) shareOf(of, [])
  return shares
}

/** Where everything is that holds some of a lot. @returns `null` when the lot is not in the book. */
export function recallOf(book: Book, lotId: string): Recall | null {
  const lot = book.lots.get(lotId)
  if (!lot) return null
  const kin = descendants(book, lotId).map((found) => found.lot)
  const shares = sharesFrom(book, lot, kin)
  const pct = (of: Lot) => 100 * (shares.get(of.id) ?? 0)
  const runs = [lot, ...kin].flatMap((of): RecallRun[] => {
    const { bottles } = of
    return bottles
      ? [
          {
            lot: of,
            sharePct: pct(of),
            made: bottles.made,
            here: bottles.left,
            retained: bottles.retained,
            discarded: bottles.discarded,
            out: bottles.out,
            short: bottles.short,
          },
        ]
      : []
  })
  const sum = (of: (run: RecallRun) => number) => runs.reduce((all, run) => all + of(run), 0)
  const out = sum((run) => run.out.reduce((all, { count }) => all + count, 0))
  const [made, here, retained, discarded, short] = [
    sum((run) => run.made),
    sum((run) => run.here),
    sum((run) => run.retained),
    sum((run) => run.discarded),
    sum((run) => run.short),
  ]
  const to = new Map<string, Recall['to'][number]>()
  for (const one of runs.flatMap((run) => run.out)) {
    const known = to.get(`${one.how} ${one.to}`)
    to.set(`${one.how} ${one.to}`, {
      to: one.to,
      how: one.how,
      count: one.count + (known?.count ?? 0),
      lastMs: Math.max(one.atMs, known?.lastMs ?? 0),
    })
  }
  return {
    lot,
    runs,
    made,
    here,
    retained,
    discarded,
    out,
    short,
    adds: made + short === here + retained + discarded + out,
    stock: [lot, ...kin]
      .filter((of) => !of.bottles && of.state !== 'used up' && of.state !== 'discarded' && of.leftG > 0)
      .map((of) => ({ lot: of, sharePct: pct(of), leftG: of.leftG })),
    to: [...to.values()].sort((a, b) => a.lastMs - b.lastMs),
  }
}
