import type { Tones } from '~/composables/useTones'

/** The letters of all charts: the face of the page, large enough to be read at arm's length. */
const chartText = (color: string) => ({
  color,
  fontFamily: 'Atkinson Hyperlegible Next Variable',
  fontSize: 13,
})

/** How every chart looks unless it says otherwise: letters, axes, grid lines, tooltip, in the colours of the page. */
export function chartTheme({ ink, muted, line, surface }: Tones) {
  const text = chartText(muted)
  const axis = {
    axisLabel: text,
    nameTextStyle: text,
    axisLine: { lineStyle: { color: line } },
    splitLine: { lineStyle: { color: line } },
  }
  return {
    textStyle: text,
    tooltip: { backgroundColor: surface, borderColor: line, textStyle: { ...text, color: ink } },
    // Every chart says itself how much room its words take: none has to be measured first.
    grid: { outerBoundsMode: 'none' },
    ...{ valueAxis: axis, logAxis: axis, timeAxis: axis, categoryAxis: axis },
  }
}
