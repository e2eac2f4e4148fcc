import { computed, type Ref } from 'vue'
import {
  bottlesFilled,
  headspaceOf,
  keepCaseOf,
  netContents,
  propertiesOf,
  RELEASE_PH,
  releaseCaseOf,
  releaseChecks,
  reliefOf,
  storeRefusal,
  suppliesFor,
  wayOf,
  type Lot,
  type Process,
} from '@lactofer/core'
import type { RunForm } from '~/forms/runForm'
import { useBook } from '~/stores/book'

/** What is in the pot and in a bottle, and how many bottles that makes. */
export function useBottlingPot(form: Ref<RunForm>, lot: Ref<Lot | undefined>) {
  const book = useBook()
  const composition = computed(() => (lot.value ? book.composition(lot.value.id) : null))
  const properties = computed(() => composition.value && propertiesOf(composition.value))
  const format = computed(() => book.library.format(form.value.formatId) ?? book.library.formats[0])
  const densityGPerMl = computed(() => properties.value?.densityGPerMl ?? 1)
  const leftMl = computed(() => (lot.value ? lot.value.leftG / densityGPerMl.value : 0))
  /** What a bottle really takes: as the sampled ones were filled, else as the label says. */
  const filledMl = computed(() => {
    const { netG } = form.value
    return netG.length
      ? netG.reduce((sum, grams) => sum + grams, 0) / netG.length / densityGPerMl.value
      : (format.value?.fillMl ?? 150)
  })
  /** What the run takes of the packaging, with what is at hand of it; `null` where nobody counted. */
  const supplies = computed(() =>
    (format.value ? suppliesFor(format.value, form.value.count ?? 0) : []).map((need) => ({
      ...need,
      atHand: book.book.supplies.find(({ item, fits }) => item === need.item && fits === need.fits)?.count ?? null,
    })),
  )
  return {
    composition,
    properties,
    format,
    densityGPerMl,
    leftMl,
    filledMl,
    supplies,
    most: computed(() => bottlesFilled(leftMl.value, filledMl.value, form.value.lossMl ?? 0)),
    headspace: computed(() => (format.value ? headspaceOf(format.value) : 0.05)),
  }
}

/** What speaks for and against keeping it this way. */
export function useBottlingChecks(
  form: Ref<RunForm>,
  lot: Ref<Lot | undefined>,
  { format, densityGPerMl }: Pick<ReturnType<typeof useBottlingPot>, 'format' | 'densityGPerMl'>,
  process: Ref<Process | null>,
) {
  const book = useBook()
  const choice = computed(() => ({
    treatment: form.value.treatment,
    store: form.value.store,
    limitPh: process.value?.maxPh ?? RELEASE_PH.usual,
    formatId: format.value?.id ?? '',
    process: process.value,
    heldMin: form.value.heldMin,
    turnedMin: form.value.turnedMin,
    chunky: form.value.chunky,
    altitudeM: form.value.altitudeM ?? 0,
    lastFillTempC: null,
    relief: reliefOf(form.value),
  }))
  const releaseCase = computed(() =>
    lot.value ? releaseCaseOf(book.book, book.judge, lot.value, choice.value, book.nowMs) : null,
  )
  const known = computed(() => releaseCase.value && keepCaseOf(releaseCase.value))
  return {
    way: computed(() => wayOf(form.value.treatment)),
    releaseCase,
    known,
    checks: computed(() => (releaseCase.value ? releaseChecks(releaseCase.value) : [])),
    refusal: computed(() => known.value && storeRefusal(form.value.treatment, form.value.store, known.value)),
    weighed: computed(() =>
      form.value.netG.length && format.value
        ? netContents(form.value.netG, format.value.fillMl, densityGPerMl.value)
        : null,
    ),
  }
}
