import { computed, type Ref } from 'vue'
import {
  ASSUMED_C,
  bookingsOf,
  clashesOf,
  fromCrate,
  fromTable,
  InvalidInput,
  movedBy,
  readTemperatures,
  rowsOf,
  seat,
  takenBy,
  type Proposal,
  type ProposedLot,
  type VesselRow,
} from '@lactofer/core'
import { morningOf, templateOf, type LoftForm } from '~/forms/loftForm'
import { fieldOfDay } from '~/clock/moments'
import { useLeads } from './useLeads'
import { useBook } from '~/stores/book'

const NOTHING: Proposal = { lots: [], misfits: [] }
const NO_FORECAST = 'The forecast could not be asked here: open the page again. Nothing is planned without it.'

/** What stands in the vessels, as rows of the calendar. */
function useVesselRows() {
  const book = useBook()
  const todayMs = computed(() => morningOf(fieldOfDay(book.nowMs)) ?? book.nowMs)
  const bookings = computed(() => bookingsOf(book.book, (id) => book.summaries.get(id)?.ready, book.nowMs))
  const rows = computed(() => rowsOf(book.library, bookings.value))
  const seated = computed(() => seat(bookings.value, rows.value))
  return { todayMs, rows, seated }
}

/** What is wanted, and how long each of it takes where it is to stand. */
function useWanted(form: Ref<LoftForm>) {
  const book = useBook()
  /** As warm as the place was when it was last read, else as a room usually is. */
  const room = computed(() => {
    const read = book.lots
      .filter(({ place }) => place === form.value.place.trim())
      .flatMap((lot) => readTemperatures(lot))
      .sort((a, b) => a.atMs - b.atMs)
      .at(-1)
    return { tempC: Math.round((read?.tempC ?? ASSUMED_C.forecast) * 2) / 2, wasRead: read !== undefined }
  })
  const tempC = computed(() => room.value.tempC)
  const comes = computed(() => templateOf(book.book, form.value.comes, form.value.style))
  const sorts = computed(() =>
    form.value.sorts.flatMap((sort) => {
      const template = templateOf(book.book, sort.from)
      return template && sort.bottles ? [{ ...sort, bottles: sort.bottles, template }] : []
    }),
  )
  const wanted = computed(() => {
    const crate = comes.value ? [comes.value] : []
    const templates = form.value.from === 'crate' ? crate : sorts.value.map(({ template }) => template)
    return templates.map((template) => ({ template, tempC: tempC.value }))
  })
  const { leadFor, failed } = useLeads(
    computed(() => book.book),
    wanted,
  )
  const leads = computed(() => wanted.value.map(leadFor))
  const wasRead = computed(() => room.value.wasRead)
  return { tempC, wasRead, comes, sorts, leads, failed, working: computed(() => leads.value.includes(undefined)) }
}

/** What is proposed: of what comes, or for what is to be sold. */
function useProposal(form: Ref<LoftForm>, vessels: ReturnType<typeof useVesselRows>) {
  const book = useBook()
  const { tempC, wasRead, comes, sorts, leads, failed, working } = useWanted(form)
  const { rows, seated, todayMs } = vessels
  const saleMs = computed(() => (form.value.from === 'table' ? morningOf(form.value.soldOn) : null))
  function ofCrate({ massG, comesOn, lots }: LoftForm): Proposal {
    const startMs = morningOf(comesOn)
    if (!comes.value || !massG || startMs === null) return NOTHING
    const crate = { template: comes.value, massG, startMs, lots, lead: leads.value[0] ?? null }
    return fromCrate(book.book, crate, rows.value, seated.value)
  }
  function ofTable({ bottleMl, basePct }: LoftForm): Proposal {
    if (saleMs.value === null || !basePct) return NOTHING
    const wanted = sorts.value.map(({ key, template, bottles }, index) => ({
      ...{ key, template, bottles, bottleMl, baseShare: basePct / 100, lead: leads.value[index] ?? null },
    }))
    const table = { sorts: wanted, saleMs: saleMs.value, todayMs: todayMs.value }
    return fromTable(book.book, table, rows.value, seated.value)
  }
  const answer = computed((): { proposal: Proposal; problem: string | null } => {
    if (working.value) return { proposal: NOTHING, problem: null }
    if (failed.value) return { proposal: NOTHING, problem: NO_FORECAST }
    try {
      return { proposal: form.value.from === 'crate' ? ofCrate(form.value) : ofTable(form.value), problem: null }
    } catch (error) {
      if (error instanceof InvalidInput) return { proposal: NOTHING, problem: error.message }
      throw error
    }
  })
  const proposal = computed(() => answer.value.proposal)
  return { tempC, wasRead, sorts, working, saleMs, proposal, leads, problem: computed(() => answer.value.problem) }
}

/** The calendar of the loft and what a planning proposes: follows the form, the log and the forecast. */
export function useLoft(form: Ref<LoftForm>) {
  const vessels = useVesselRows()
  const { rows, seated, todayMs } = vessels
  const { proposal, saleMs, leads, ...rest } = useProposal(form, vessels)
  /** The lots where they were moved to. */
  const lots = computed(() =>
    proposal.value.lots.map((lot): ProposedLot => {
      const move = form.value.moves[lot.key]
      const chosen = (move?.rows ?? []).flatMap((key): VesselRow[] => rows.value.filter((row) => row.key === key))
      return movedBy(lot, move?.days ?? 0, chosen.length === lot.rows.length ? chosen : lot.rows)
    }),
  )
  const clashes = computed(
    () =>
      new Map(
        lots.value.map((lot) => {
          const others = takenBy(lots.value.filter(({ key }) => key !== lot.key))
          const limits = { saleMs: saleMs.value, todayMs: todayMs.value }
          return [lot.key, clashesOf(lot, [...seated.value, ...others], limits)]
        }),
      ),
  )
  function move(key: string, days: number, chosen?: string[]) {
    const before = form.value.moves[key]
    const where = chosen ?? before?.rows
    form.value.moves = {
      ...form.value.moves,
      [key]: { days: (before?.days ?? 0) + days, ...(where && { rows: where }) },
    }
  }
  return { ...rest, todayMs, rows, seated, saleMs, proposal, lots, clashes, move, lead: computed(() => leads.value[0]) }
}
export type Loft = ReturnType<typeof useLoft>
