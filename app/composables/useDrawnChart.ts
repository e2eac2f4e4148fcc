import { computed, type Ref } from 'vue'
import { usePreferences } from '~/stores/preferences'
import { drawChart, type DrawnChart, type Picture } from '~/workers/chartDrawer'
import { useLatest } from './useLatest'
import { useTones } from './useTones'

export type { Picture, TellingPoint } from '~/workers/chartDrawer'

type Drawing = { drawn: DrawnChart; problem: null } | { drawn: null; problem: string }
const FAILED: Drawing = {
  drawn: null,
  problem: 'The picture could not be drawn here. Its figures are right all the same.',
}

/**
 * A picture drawn in a worker, drawn anew as what it is of changes; what was drawn last stays meanwhile.
 * @param size of the room it has, px; nothing is drawn while it has none.
 */
export function useDrawnChart(picture: () => Picture, size: { width: Ref<number>; height: () => number }) {
  const tones = useTones()
  const preferences = usePreferences()
  const question = computed(() => {
    const widthPx = Math.round(size.width.value)
    if (widthPx <= 0) return null
    const look = { tones: tones.value, world: preferences.world }
    return { picture: picture(), frame: { widthPx, heightPx: size.height(), look } }
  })
  const { answer } = useLatest<NonNullable<typeof question.value>, Drawing>(
    question,
    async (asked) => ({ drawn: await drawChart(asked.picture, asked.frame), problem: null }),
    FAILED,
  )
  return { drawn: computed(() => answer.value?.drawn ?? null), problem: computed(() => answer.value?.problem ?? null) }
}
