import { ref, watch, type ComputedRef } from 'vue'
import { batchOf, leadOf, sized, structureOf, styleById, type Book, type Lead, type Template } from '@lactofer/core'
import { askForForecast, type ForecastQuestion } from '~/workers/forecaster'
import { SHELF_MEMBERS } from './useForecast'

/** So many days are looked ahead for a lead. */
const LOOK_DAYS = 60
/** Grams of ingredients a lead is asked for: it hardly hangs on the amount. */
const OF_G = 5000

/** What is asked of the forecast for a template at a temperature; `null` where no forecast is wanted. */
function questionOf(book: Book, template: Template, tempC: number): ForecastQuestion | null {
  const style = styleById(template.style)
  const rowsG = template.rows.reduce((sum, { massG }) => sum + massG, 0)
  const made = style.judgedBy === 'acid' && rowsG > 0 ? sized(book, template, OF_G / rowsG) : null
  if (!made) return null
  const { rows, waterG } = made.template
  const structure = structureOf(style.lie, template.cut ?? style.usualCut, waterG / made.figures.composition.massG)
  const batch = batchOf(book, { rows: [...rows], waterG, saltG: made.figures.dose.saltG }, structure)
  return (
    batch && {
      batch: { batch, temperature: { points: [{ hour: 0, tempC }] }, readings: [], targetPh: template.targetPh },
      ...{ days: LOOK_DAYS, members: SHELF_MEMBERS, scenarios: [] },
    }
  )
}

/**
 * How long lots would take, worked out beside the page, each once: `undefined` while it is worked out, `null` where
 * nobody knows. `failed` where the forecast itself could not be asked.
 */
export function useLeads(book: ComputedRef<Book>, wanted: ComputedRef<{ template: Template; tempC: number }[]>) {
  const found = ref(new Map<string, Lead | null>())
  const asked = new Set<string>()
  const failed = ref(false)
  const keyOf = (one: { template: Template; tempC: number }) => JSON.stringify(one)

  async function ask(one: { template: Template; tempC: number }) {
    const key = keyOf(one)
    if (asked.has(key)) return
    asked.add(key)
    const question = questionOf(book.value, one.template, one.tempC)
    const answer = question && (await askForForecast(question, 'page').catch(() => null))
    if (question && !answer?.forecast) failed.value = true
    found.value.set(key, leadOf(styleById(one.template.style), answer?.forecast?.ready ?? null))
  }
  watch(wanted, (all) => void Promise.all(all.map(ask)), { immediate: true })
  const leadFor = (one: { template: Template; tempC: number }): Lead | null | undefined => found.value.get(keyOf(one))
  return { leadFor, failed }
}
