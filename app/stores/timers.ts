import { defineStore } from 'pinia'
import { computed } from 'vue'
import { z, MINUTE_MS } from '@lactofer/core'
import { nowMs } from '~/clock/clock'
import { useDraft } from '~/composables/useDraft'

/** A kitchen timer that runs for a lot, until a moment, ms; it outlives the page and the browser. */
const TimersSchema = z.array(z.object({ lotId: z.string(), code: z.string(), fromMs: z.number(), untilMs: z.number() }))
export type KitchenTimer = z.infer<typeof TimersSchema>[number]

/** Salted produce rests so long until its juice runs. Common practice. */
export const REST_MIN = 15

/** Timers of lots that rest: one a lot. */
export const useTimers = defineStore('timers', () => {
  const { draft, save } = useDraft('timers', TimersSchema, () => [])
  const of = (lotId: string) => draft.value.find((timer) => timer.lotId === lotId) ?? null
  function stop(lotId: string) {
    draft.value = draft.value.filter((timer) => timer.lotId !== lotId)
    void save()
  }
  function start(lotId: string, code: string, minutes = REST_MIN) {
    const fromMs = nowMs()
    draft.value = [
      ...draft.value.filter((timer) => timer.lotId !== lotId),
      { lotId, code, fromMs, untilMs: fromMs + minutes * MINUTE_MS },
    ]
    void save()
  }
  return { running: computed(() => draft.value), of, start, stop }
})
