import { PH_LINE, type Course, type PhFact } from '@lactofer/core'
import type { Tones } from '~/composables/useTones'
import type { CourseEvent, ExtraLine } from '~/composables/courseLines'

/* What a ferment's picture shows, and its lines with their words: beside the plot and above it, never on a line. */

/** What is drawn of a ferment. `startMs` 0 means a plan: its days are counted and have no date. */
export interface CourseShown {
  startMs: number
  targetPh: number
  course: Course | null
  readings: readonly PhFact[]
  temperatures: readonly { atMs: number; tempC: number }[]
  clockDueMs: number | null
  nowMs: number | null
  events: readonly CourseEvent[]
  extras: readonly ExtraLine[]
}

/** Words above the plot stand so far apart, px; what would stand closer goes up a line. */
const APART_PX = 74
const LINE_PX = 15
/** Room right of the plot for the words of its level lines, px. */
export const RIGHT_PX = 62
const TOP_PX = 8

/** Lines of words above the plot: each as low as it can stand without touching the one before. */
function linesAbove(stamps: readonly number[], [startMs, endMs]: [number, number]): number[] {
  const taken: number[] = []
  // A plot is some 600 px wide; on a phone the words come closer and climb.
  const apartMs = ((endMs - startMs) * APART_PX) / 600
  return stamps.map((ms) => {
    const free = taken.findIndex((before) => ms - before >= apartMs)
    const line = free < 0 ? taken.length : free
    taken[line] = ms
    return line
  })
}

/** Upright lines for what happened, for now, and for the deadline, each with the line its words stand on. */
function uprightsOf(shown: CourseShown, endMs: number, { ink, muted, act }: Tones) {
  const { startMs, clockDueMs, nowMs, events } = shown
  const all = [
    ...events.map(({ ms, text }) => ({ ms, words: text, color: muted, type: 'dotted' as const, width: 1 })),
    ...(nowMs !== null && nowMs < endMs
      ? [{ ms: nowMs, words: 'now', color: ink, type: 'solid' as const, width: 1.5 }]
      : []),
    ...(clockDueMs ? [{ ms: clockDueMs, words: '4.6 due', color: act, type: 'solid' as const, width: 2 }] : []),
  ].sort((a, b) => a.ms - b.ms)
  const lines = linesAbove(
    all.map(({ ms }) => ms),
    [startMs, endMs],
  )
  return all.map((one, index) => ({ ...one, line: lines[index] ?? 0 }))
}

/** Lines across for 4.6 and the target, their words right of the plot; the upright ones with theirs above it. */
export function marksOf(shown: CourseShown, endMs: number, tones: Tones) {
  const { acid, act } = tones
  const level = (value: number, color: string, words: string) => ({
    yAxis: value,
    lineStyle: { color, type: 'dashed' as const, width: 1.5 },
    label: { formatter: words, color, position: 'end' as const, fontSize: 13 },
  })
  return [
    level(PH_LINE, act, 'pass 4.6'),
    level(shown.targetPh, acid, `aim ${shown.targetPh.toFixed(2)}`),
    ...uprightsOf(shown, endMs, tones).map(({ ms, words, color, type, width, line }) => ({
      xAxis: ms,
      lineStyle: { color, type, width },
      label: {
        ...{ formatter: words, color, rotate: 0, fontSize: 12, position: 'end' as const },
        distance: 3 + LINE_PX * line,
      },
    })),
  ]
}

/** Room above the plot for the words that stand there, px. */
export const roomAbove = (shown: CourseShown, endMs: number, tones: Tones): number =>
  TOP_PX + LINE_PX * Math.max(0, ...uprightsOf(shown, endMs, tones).map(({ line }) => line + 1))
