import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import type { Ask, Chore, Lot } from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { useRecorder } from '~/composables/useRecorder'
import { useBook } from '~/stores/book'

/** What was recorded last in the round, to be taken back: by its bar or by Ctrl and Z. */
interface Recorded {
  entryIds: string[]
  text: string
}

/** The round as it is walked: what one tap records, wherever it is tapped, and the way back. */
export const useRound = defineStore('round', () => {
  const book = useBook()
  const { busy, record, written } = useRecorder('Nothing else was changed.')
  const last = ref<Recorded | null>(null)
  /** The lot that is being topped up: how much is said first. */
  const topping = ref<Lot | null>(null)
  /** The ask that is being skipped: why is said first. */
  const skipping = ref<Ask | null>(null)

  /** Records one chore of a lot that nobody asked for. */
  async function did(lotId: string, chore: Chore): Promise<boolean> {
    if (!(await record({ kind: 'chore', at: nowMoment(), lotId, chore }))) return false
    told(written.value, `${book.lot(lotId)?.code}: ${chore} recorded.`)
    return true
  }
  const told = (entryIds: string[], text: string) => (last.value = { entryIds, text })
  /** Records asks of one chore as done, or as skipped with a reason. @returns whether it is in the log. */
  async function done(asks: readonly Ask[], skipped?: string): Promise<boolean> {
    const [only, more] = asks
    if (only?.chore === 'top up' && !more && !skipped) {
      topping.value = book.lot(only.lotId) ?? null
      return false
    }
    const at = nowMoment()
    const drafts = asks.flatMap(({ lotId, chore }) =>
      chore ? [{ kind: 'chore' as const, at, lotId, chore, ...(skipped && { skipped }) }] : [],
    )
    const codes = asks.map(({ lotId }) => book.lot(lotId)?.code).join(', ')
    if (!(await record(...drafts))) return false
    told(written.value, `${codes}: ${asks[0]?.chore} ${skipped ? 'skipped' : 'recorded'}.`)
    return true
  }
  async function undo(): Promise<void> {
    const at = nowMoment()
    const drafts = (last.value?.entryIds ?? []).map((replaces) => ({
      ...{ kind: 'retract' as const, at, replaces, reason: 'Undone right away.' },
    }))
    if (drafts.length && (await record(...drafts))) last.value = null
  }
  async function skip(why: string): Promise<void> {
    const ask = skipping.value
    if (!ask || !why.trim()) return
    skipping.value = null
    await done([ask], why.trim())
  }
  return { busy, last: computed(() => last.value), topping, skipping, told, did, done, undo, skip }
})
