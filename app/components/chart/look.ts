import type { UnitWorld } from '@lactofer/core'
import type { Tones } from '~/composables/useTones'

/** What every picture is drawn with: the colours of the page, and the maker's units. */
export interface Look {
  tones: Tones
  world: UnitWorld
}

/** The letters of all charts: the face of the page, large enough to be read at arm's length. */
const chartText = (color: string) => ({
  color,
  fontFamily: 'Atkinson Hyperlegible Next Variable',
  fontSize: 13,
})

/** How every chart looks unless it says otherwise: letters, axes, grid lines, in the colours of the page. */
export function chartTheme({ muted, line }: Tones) {
  const text = chartText(muted)
  const axis = {
    axisLabel: text,
    nameTextStyle: text,
    axisLine: { lineStyle: { color: line } },
    splitLine: { lineStyle: { color: line } },
  }
  return {
    textStyle: text,
    // Every chart says itself how much room its words take: none has to be measured first.
    grid: { outerBoundsMode: 'none' },
    ...{ valueAxis: axis, logAxis: axis, timeAxis: axis, categoryAxis: axis },
  }
}
