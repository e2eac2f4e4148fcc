import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import type { Ask, Chore, Draft, Lot } from '@lactofer/core'
import { nowMoment, nowMs } from '~/clock/clock'
import { useRecorder } from '~/composables/useRecorder'
import { useBook } from '~/stores/book'

/** What was recorded with one tap: of which lots, told in a line, and ticked off in few words. */
interface Recorded {
  entryIds: string[]
  lotIds: string[]
  text: string
  title: string
  atMs: number
}

/** What was recorded with a tap since the page was opened, and the way back. */
function useRecorded() {
  const book = useBook()
  const { record, written } = useRecorder('Nothing else was changed.')
  /** The newest last: taken back one by one. */
  const recorded = ref<Recorded[]>([])
  const last = computed(() => recorded.value.at(-1) ?? null)
  const busy = ref(false)
  let turn: Promise<unknown> = Promise.resolve()
  /**
   * One after the other: the way back may be asked for while what it takes back is still being written. Busy until what
   * the lots ask for is told anew: a task that was done is never there to be tapped once more.
   */
  function inTurn<Result>(write: () => Promise<Result>): Promise<Result> {
    const mine = turn.then(async () => {
      busy.value = true
      try {
        return await write()
      } finally {
        busy.value = false
      }
    })
    turn = mine.catch(() => null)
    return mine
  }
  const wrote = async (drafts: Draft[]): Promise<boolean> => {
    if (!(await record(...drafts))) return false
    await book.followed(written.value)
    return true
  }

  const told = (entryIds: string[], lotIds: string[], text: string, title: string) =>
    (recorded.value = [...recorded.value, { entryIds, lotIds, text, title, atMs: nowMs() }])
  /** Records what a tap said of some lots. @returns whether it is in the log. */
  const take = (drafts: Draft[], lotIds: string[], text: string, title: string): Promise<boolean> =>
    inTurn(async () => {
      if (!(await wrote(drafts))) return false
      told(written.value, lotIds, text, title)
      return true
    })
  function undo(): Promise<void> {
    return inTurn(async () => {
      const at = nowMoment()
      const drafts = (last.value?.entryIds ?? []).map((replaces) => ({
        ...{ kind: 'retract' as const, at, replaces, reason: 'Undone right away.' },
      }))
      if (drafts.length && (await wrote(drafts))) recorded.value = recorded.value.slice(0, -1)
    })
  }
  return { busy, recorded, last, told, take, undo }
}

/** The round as it is walked: what one tap records, wherever it is tapped, and the way back. */
export const useRound = defineStore('round', () => {
  const book = useBook()
  const { take, ...recorded } = useRecorded()
  /** The lot that is being topped up: how much is said first. */
  const topping = ref<Lot | null>(null)
  /** The ask that is being skipped: why is said first. */
  const skipping = ref<Ask | null>(null)

  /** Records one chore of some lots, done or skipped with a reason. @returns whether it is in the log. */
  function write(chore: Chore, lotIds: string[], title: string, skipped?: string): Promise<boolean> {
    const at = nowMoment()
    const codes = lotIds.map((id) => book.lot(id)?.code).join(', ')
    return take(
      lotIds.map((lotId) => ({ kind: 'chore' as const, at, lotId, chore, ...(skipped && { skipped }) })),
      lotIds,
      `${codes}: ${chore} ${skipped ? 'skipped' : 'recorded'}.`,
      `${title}: ${skipped ? 'skipped' : 'done'}`,
    )
  }
  /** A chore of a lot that nobody asked for. */
  const did = (lotId: string, chore: Chore) => write(chore, [lotId], chore)
  /** Asks of one chore, as done or as skipped. What is topped up says its amount first. */
  async function done(asks: readonly Ask[], skipped?: string): Promise<boolean> {
    const [first] = asks
    if (!first?.chore) return false
    if (first.chore === 'top up' && asks.length === 1 && !skipped) {
      topping.value = book.lot(first.lotId) ?? null
      return false
    }
    return write(
      first.chore,
      asks.map(({ lotId }) => lotId),
      first.title,
      skipped,
    )
  }
  async function skip(why: string): Promise<void> {
    const ask = skipping.value
    if (!ask || !why.trim()) return
    skipping.value = null
    await done([ask], why.trim())
  }
  return { ...recorded, topping, skipping, take, did, done, skip }
})
