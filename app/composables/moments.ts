import dayjs from 'dayjs'

const PARTS = [
  [5, 'night'],
  [12, 'morning'],
  [14, 'noon'],
  [18, 'afternoon'],
  [22, 'evening'],
  [24, 'night'],
] as const

/** A moment near today as people say it: "by Thursday morning", "by 3 December". */
export function tellMoment(ms: number): string {
  const moment = dayjs(ms)
  const part = PARTS.find(([until]) => moment.hour() < until)?.[1] ?? 'night'
  return Math.abs(moment.diff(dayjs(), 'day')) < 6
    ? `by ${moment.format('dddd')} ${part}`
    : `by ${moment.format('D MMMM')}`
}

/** A span of moments: "26 Nov to 1 Dec", or one day. */
export function tellSpan(fromMs: number, toMs: number): string {
  const [from, to] = [dayjs(fromMs), dayjs(toMs)]
  if (from.isSame(to, 'day')) return from.format('ddd D MMM')
  return `${from.format(from.isSame(to, 'month') ? 'D' : 'D MMM')} to ${to.format('D MMM')}`
}
