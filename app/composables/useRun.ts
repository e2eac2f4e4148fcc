import { computed, watch, type Ref } from 'vue'
import {
  bottlesFilled,
  formatNumber,
  HEAT_REFERENCES,
  headspaceOf,
  InvalidInput,
  keepCaseOf,
  LotCodeSchema,
  netContents,
  ownReference,
  propertiesOf,
  refusalOf,
  releaseCaseOf,
  releaseChecks,
  RELEASE_PH,
  storeRefusal,
  suppliesFor,
  USUAL_REFERENCE,
  wayOf,
  withCheck,
  type Draft,
  type HeatReference,
  type Lot,
} from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { dayAfterMonths, momentOfField, monthAndDay } from '~/clock/moments'
import { freshRun, RunFormSchema } from '~/components/bottle/runForm'
import { useDraft } from '~/composables/useDraft'
import { newLotId, useBook } from '~/stores/book'

/** A run of bottles from one pot: its form, what follows from it, what speaks against it, and the entry it comes to. */
export function useRun(blendId: string, lot: Ref<Lot | undefined>) {
  const book = useBook()
  const usualFormat = () =>
    (book.library.formats.find(({ fillMl }) => fillMl === 150) ?? book.library.formats[0])?.id ?? ''
  const {
    draft: form,
    loaded,
    reset,
  } = useDraft(`bottling:${blendId}`, RunFormSchema, () => freshRun(lot.value, usualFormat()))
  const composition = computed(() => (lot.value ? book.composition(lot.value.id) : null))
  const properties = computed(() => composition.value && propertiesOf(composition.value))
  const format = computed(() => book.library.format(form.value.formatId) ?? book.library.formats[0])
  const densityGPerMl = computed(() => properties.value?.densityGPerMl ?? 1)
  const leftMl = computed(() => (lot.value ? lot.value.leftG / densityGPerMl.value : 0))
  /** What a bottle really takes: as the sampled ones were filled, else as the label says. */
  const filledMl = computed(() =>
    form.value.netG.length
      ? form.value.netG.reduce((sum, grams) => sum + grams, 0) / form.value.netG.length / densityGPerMl.value
      : (format.value?.fillMl ?? 150),
  )
  const most = computed(() => bottlesFilled(leftMl.value, filledMl.value, form.value.lossMl ?? 0))
  const way = computed(() => wayOf(form.value.treatment))

  /** The reference chosen; one of the maker's own may still be wrong. */
  const reference = computed<{ value: HeatReference; problem: string }>(() => {
    const { referenceId, refC, zC, minutes, highestPh, source } = form.value
    if (referenceId !== 'own')
      return { value: HEAT_REFERENCES.find(({ id }) => id === referenceId) ?? USUAL_REFERENCE, problem: '' }
    try {
      if (refC === null || zC === null || highestPh === null)
        throw new InvalidInput('Fill in temperature, z and the highest pH as your process authority wrote them.')
      if (!source.trim()) throw new InvalidInput('Say who set it and when: it stands on the record.')
      return { value: ownReference({ refC, zC, minutes, highestPh, source: source.trim() }), problem: '' }
    } catch (error) {
      if (error instanceof InvalidInput) return { value: USUAL_REFERENCE, problem: error.message }
      throw error
    }
  })
  const choice = computed(() => ({
    treatment: form.value.treatment,
    store: form.value.store,
    limitPh: RELEASE_PH.usual,
    formatId: format.value?.id ?? '',
    reference: reference.value.value,
    altitudeM: form.value.altitudeM ?? 0,
    lastFillTempC: null,
  }))
  const releaseCase = computed(() => (lot.value ? releaseCaseOf(book.book, lot.value, choice.value) : null))
  const known = computed(() => releaseCase.value && keepCaseOf(releaseCase.value))
  const checks = computed(() => (releaseCase.value ? releaseChecks(releaseCase.value) : []))
  const refusal = computed(() => known.value && storeRefusal(form.value.treatment, form.value.store, known.value))
  const weighed = computed(() =>
    form.value.netG.length && format.value
      ? netContents(form.value.netG, format.value.fillMl, densityGPerMl.value)
      : null,
  )
  /** What the run takes of the packaging, with what is at hand of it; `null` where nobody counted. */
  const supplies = computed(() =>
    format.value
      ? suppliesFor(format.value, form.value.count ?? 0).map((need) => ({
          ...need,
          atHand: book.book.supplies.find(({ item, fits }) => item === need.item && fits === need.fits)?.count ?? null,
        }))
      : [],
  )

  watch(
    () => form.value.treatment,
    (now, before) => {
      if (now === before) return
      Object.assign(form.value, {
        store: wayOf(now).store,
        bestBefore: dayAfterMonths(book.nowMs, wayOf(now).months),
        testBottle: now === 'live-cold',
      })
    },
  )
  /**
   * Fills what follows by itself: code, day, count. What was begun before the log was open begins anew, now that the
   * pot is known.
   */
  function settle() {
    if (!lot.value) return
    if (!form.value.code)
      Object.assign(form.value, freshRun(lot.value, usualFormat()), {
        code: nextCode(lot.value),
        count: most.value.count || null,
      })
    if (!form.value.bestBefore) form.value.bestBefore = dayAfterMonths(book.nowMs, way.value.months)
  }
  void loaded.then(settle)
  watch(lot, settle)
  watch(
    most,
    ({ count }, before) => {
      const { count: typed } = form.value
      if (count > 0 && (typed === null || typed === before?.count)) form.value.count = count
    },
    { immediate: true },
  )
  /** The next free code of the day, with its check character. */
  function nextCode(of: Lot): string {
    const series = `${of.code.replace(/P$/, '').slice(0, 9)}-${monthAndDay(book.nowMs)}`
    for (let run = 0; ; run++) {
      const code = withCheck(run ? `${series}${String.fromCharCode(65 + ((run - 1) % 26))}` : series)
      if (!book.codeTaken(code)) return code
    }
  }

  const problems = computed(() => {
    const { count, code, bestBefore, retained, partMl } = form.value
    const parsed = LotCodeSchema.safeParse(code)
    const dateMs = /^\d{4}-\d{2}-\d{2}$/.test(bestBefore) ? momentOfField(bestBefore) : null
    return {
      count:
        count === null
          ? 'Count the bottles.'
          : count > most.value.count
            ? `There is enough for ${most.value.count}.`
            : null,
      code: parsed.success
        ? book.codeTaken(code)
          ? 'This code is on another lot.'
          : null
        : (parsed.error.issues[0]?.message ?? null),
      date: dateMs === null ? 'Enter a day, 2027-05-31.' : dateMs < book.nowMs ? 'This day is past.' : null,
      part:
        (partMl ?? 0) > filledMl.value
          ? 'That is a full bottle: count it.'
          : count !== null &&
              count <= most.value.count &&
              (partMl ?? 0) > leftMl.value - (form.value.lossMl ?? 0) - count * filledMl.value + 1
            ? `Only ${formatNumber(Math.max(0, leftMl.value - (form.value.lossMl ?? 0) - count * filledMl.value))} mL are left for it.`
            : null,
      retained: count !== null && (retained ?? 0) > count ? 'More are kept back than were filled.' : null,
      place: form.value.place.trim() ? null : 'Say where they stand.',
      reference: way.value.id === 'cooked-hot-fill' ? reference.value.problem || null : null,
      store: refusal.value?.reason ?? null,
    }
  })

  /** The entry of the run as it is; `null` while something is missing. */
  function draft(): Extract<Draft, { kind: 'bottle' }> | null {
    const from = lot.value
    const { count, code, bestBefore, place, retained, netG, partMl, lossMl } = form.value
    if (!from || !format.value || count === null || Object.values(problems.value).some(Boolean)) return null
    const usedG = Math.min(from.leftG, (count * filledMl.value + (partMl ?? 0) + (lossMl ?? 0)) * densityGPerMl.value)
    return {
      kind: 'bottle',
      at: nowMoment(),
      lotId: newLotId(),
      code: code.trim(),
      name: from.name,
      color: from.color,
      fromLotId: from.id,
      bottleMl: format.value.fillMl,
      count,
      usedG,
      bestBefore,
      treatment: form.value.treatment,
      store: form.value.store,
      formatId: format.value.id,
      place: place.trim(),
      partG: (partMl ?? 0) * densityGPerMl.value,
      lossG: (lossMl ?? 0) * densityGPerMl.value,
      altitudeM: form.value.altitudeM ?? 0,
      ...(retained && { retained }),
      ...(form.value.testBottle && { testBottle: true }),
      ...(netG.length && { netG }),
      ...(way.value.heats && { reference: reference.value.value }),
      supplies: supplies.value.map(({ item, fits, count: taken }) => ({ item, fits, count: taken })),
    }
  }
  /** What the log itself says against it. */
  const objection = () => {
    const entry = draft()
    return entry && refusalOf(book.book, entry)
  }
  return {
    form,
    reset,
    composition,
    properties,
    format,
    densityGPerMl,
    leftMl,
    most,
    way,
    reference,
    releaseCase,
    known,
    checks,
    refusal,
    weighed,
    supplies,
    problems,
    draft,
    objection,
    headspace: computed(() => (format.value ? headspaceOf(format.value) : 0.05)),
  }
}
