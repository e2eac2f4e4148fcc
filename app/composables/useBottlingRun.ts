import { computed, ref, watch, type Ref } from 'vue'
import {
  keepCaseOf,
  refusalOf,
  RELEASE_PH,
  releaseCaseOf,
  wayOf,
  withCheck,
  type Draft,
  type Lot,
  type Process,
  type Treatment,
} from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { dayAfterMonths, monthAndDay } from '~/clock/moments'
import { freshRun, RunFormSchema, runProblems, type RunForm, type RunProblems } from '~/forms/runForm'
import { useForm } from '~/composables/useForm'
import { useBottlingChecks, useBottlingPot } from '~/composables/useBottlingPot'
import { useStops } from '~/composables/useStops'
import { newLotId, useBook } from '~/stores/book'

/** The usual bottle holds this, mL. */
const USUAL_ML = 150

/** Fills what follows by itself: what a way of keeping changes, the code, the day, the count. */
function useFollowing(
  form: Ref<RunForm>,
  lot: Ref<Lot | undefined>,
  most: Ref<{ count: number }>,
  loaded: Promise<unknown>,
  fresh: () => RunForm,
) {
  const book = useBook()
  /** The next free code of the day, with its check character. */
  function nextCode(of: Lot): string {
    const series = `${of.code.replace(/P$/, '').slice(0, 9)}-${monthAndDay(book.nowMs)}`
    for (let run = 0; ; run++) {
      const code = withCheck(run ? `${series}${String.fromCharCode(65 + ((run - 1) % 26))}` : series)
      if (!book.codeTaken(code)) return code
    }
  }
  /** What was begun before the log was open begins anew, now that the pot is known. */
  function beginAnew() {
    if (!lot.value) return
    if (!form.value.code)
      Object.assign(form.value, fresh(), {
        code: nextCode(lot.value),
        count: most.value.count || null,
      })
    if (!form.value.bestBefore) form.value.bestBefore = dayAfterMonths(book.nowMs, wayOf(form.value.treatment).months)
  }
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
  void loaded.then(beginAnew)
  watch(lot, beginAnew)
  watch(
    most,
    ({ count }, before) => {
      const { count: typed } = form.value
      if (count > 0 && (typed === null || typed === before?.count)) form.value.count = count
    },
    { immediate: true },
  )
}

/** Ways of keeping that a process is about. */
export const takesProcess = (treatment: Treatment): boolean => wayOf(treatment).heats || treatment === 'cold-fill'

/** The entry a run comes to. */
function runDraft(
  form: RunForm,
  from: Lot,
  pot: ReturnType<typeof useBottlingPot>,
  process: Process | null,
): Extract<Draft, { kind: 'bottle' }> {
  const { retained, netG, testBottle } = form
  const [format, densityGPerMl] = [pot.format.value, pot.densityGPerMl.value]
  const [count, partMl, lossMl] = [form.count ?? 0, form.partMl ?? 0, form.lossMl ?? 0]
  const usedG = Math.min(from.leftG, (count * pot.filledMl.value + partMl + lossMl) * densityGPerMl)
  return {
    kind: 'bottle',
    at: nowMoment(),
    lotId: newLotId(),
    code: form.code.trim(),
    name: from.name,
    color: from.color,
    fromLotId: from.id,
    bottleMl: format?.fillMl ?? 0,
    count,
    usedG,
    bestBefore: form.bestBefore,
    treatment: form.treatment,
    store: form.store,
    formatId: format?.id ?? '',
    place: form.place.trim(),
    partG: partMl * densityGPerMl,
    lossG: lossMl * densityGPerMl,
    altitudeM: form.altitudeM ?? 0,
    ...(retained && { retained }),
    ...(testBottle && { testBottle: true }),
    ...(!wayOf(form.treatment).heats && { closing: form.closing }),
    ...(form.treatment === 'cooked-hot-fill' && form.turnedMin && { turnedMin: form.turnedMin }),
    ...(form.bands && format?.band && { bands: true }),
    ...(netG.length && { netG }),
    ...(form.treatment === 'cooked-hot-fill' && form.heldMin && { heldMin: form.heldMin }),
    ...(form.chunky && { chunky: true }),
    ...(process && takesProcess(form.treatment) && { process }),
    supplies: pot.supplies.value.map(({ item, fits, count: taken }) => ({ item, fits, count: taken })),
  }
}

/** A run of bottles from one pot: its form, what follows from it, what speaks against it, and the entry it comes to. */
export function useBottlingRun(blendId: string, lot: Ref<Lot | undefined>) {
  const book = useBook()
  const fresh = () => {
    const { formats } = book.library
    const usual = formats.find(({ fillMl }) => fillMl === USUAL_ML) ?? formats[0]
    return freshRun(lot.value, usual?.id ?? '', keepCaseFor(usual?.id ?? ''))
  }
  /** What is known of the pot for its keeping, before anything is chosen. */
  function keepCaseFor(formatId: string) {
    if (!lot.value) return null
    const choice = { treatment: 'live-cold', store: 'cold', limitPh: RELEASE_PH.usual, formatId, altitudeM: 0 } as const
    const rest = { process: null, lastFillTempC: null, heldMin: null, turnedMin: null, chunky: false } as const
    return keepCaseOf(
      releaseCaseOf(book.book, book.judge, lot.value, { ...choice, ...rest, relief: 'test bottle' }, book.nowMs),
    )
  }
  const { form, loaded, shown, problems, asked, busy, confirm, reset } = useForm({
    fresh,
    keep: { key: `bottling:${blendId}`, schema: RunFormSchema },
    problems: (): RunProblems =>
      runProblems(form.value, {
        most: pot.most.value.count,
        filledMl: pot.filledMl.value,
        leftMl: pot.leftMl.value,
        nowMs: book.nowMs,
        codeTaken: book.codeTaken,
        refusal: judged.refusal.value?.reason ?? null,
        stops: stops(lot.value?.id),
      }),
  })
  const pot = useBottlingPot(form, lot)
  useFollowing(form, lot, pot.most, loaded, fresh)
  const process = computed(
    () => book.book.processes.find(({ processId }) => processId === form.value.processId)?.process ?? null,
  )
  const judged = useBottlingChecks(form, lot, pot, process)
  const stops = useStops()
  const stand = computed(() => lot.value && book.judgementOf(lot.value))
  /** What the log itself said against it when it was to be recorded. */
  const refused = ref('')
  /** Records the run. @returns its entry, or `null` where something speaks against it. */
  async function bottle(event: Event) {
    refused.value = ''
    const entry = lot.value && pot.format.value ? runDraft(form.value, lot.value, pot, process.value) : null
    const written = await confirm(event, () => {
      refused.value = (entry && refusalOf(book.book, book.judge, entry)) ?? ''
      return entry && !refused.value ? [entry] : null
    })
    return written ? entry : null
  }
  return { form, reset, ...pot, ...judged, process, stand, problems, shown, asked, busy, refused, bottle }
}
