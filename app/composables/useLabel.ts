import { computed, shallowRef, watch, type Ref } from 'vue'
import { z } from '@lactofer/core'
import {
  claimsIn,
  ingredientsOf,
  labelBasis,
  labelText,
  LABEL_PICKS,
  makeLabel,
  oilOf,
  OILY_PCT,
  permits,
  propertiesOf,
  type Book,
  type EntryOf,
  type Label,
  type Lot,
} from '@lactofer/core'
import { PRINT_FACES, SHEETS, type SheetId } from '~/labels/sheets'
import { useDraft } from '~/composables/useDraft'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'
import { setLabel, type LabelJob, type PaperJob, type ShownLabel } from '~/workers/paperPress'

const sheetIds = Object.keys(SHEETS) as [SheetId, ...SheetId[]]

/** What a maker set for all labels, and what is of this lot alone. */
export const LabelChoiceSchema = z.object({
  sheet: z.enum(sheetIds),
  picks: z.array(z.enum(LABEL_PICKS)),
  nested: z.boolean(),
  address: z.string().max(300),
  line: z.string().max(120),
})
export const LabelOfLotSchema = z.object({ name: z.string(), count: z.number().nullable() })

/** The faces of the print, for the preview. */
let faces: Promise<unknown> | null = null
const loadFaces = () =>
  (faces ??= Promise.all(
    (
      [
        ['400', PRINT_FACES.regular],
        ['700', PRINT_FACES.bold],
      ] as const
    ).map(async ([weight, url]) =>
      document.fonts.add(await new FontFace('Label print', `url(${url})`, { weight }).load()),
    ),
  ))

type LabelChoice = z.infer<typeof LabelChoiceSchema>
const usualChoice = (): LabelChoice => ({
  sheet: 'a4',
  picks: ['contains', 'bestBefore', 'storage', 'heat', 'address', 'code'],
  nested: false,
  address: '',
  line: '',
})

/** More missing signs than these are not named. */
const NAMED_SIGNS = 12

/** What is wrong with a label as it is set. */
function problemsOf(set: ShownLabel | null): string[] {
  if (!set) return []
  const { missing, nameless, layout } = set
  const signs = missing.slice(0, NAMED_SIGNS).map((sign) => `“${sign}”`)
  const others = missing.length > NAMED_SIGNS ? ' and others' : ''
  return [
    ...(missing.length
      ? [
          `The shipped letters have no ${signs.join(', ')}${others}: they are left out. Write it in other letters, or print this label elsewhere.`,
        ]
      : []),
    ...(nameless ? ['Nothing of the name can be printed. Write a name in Latin letters.'] : []),
    ...(layout.fits ? [] : ['It does not fit at a size that can be read. Choose a larger label, or show less.']),
  ]
}

/** The label as it is set on paper, anew whenever it changes. */
function useSetting(job: Ref<LabelJob | null>) {
  const set = shallowRef<ShownLabel | null>(null)
  const failed = shallowRef(false)
  watch(
    job,
    async (now) => {
      try {
        await loadFaces()
        const found = now && (await setLabel(now))
        if (now === job.value) set.value = found
      } catch {
        failed.value = true
      }
    },
    { immediate: true },
  )
  return { set, failed }
}

/** More oil than keeps at room temperature, and no process that covers it. */
const isOily = (known: Book, lot: Lot, { process, store }: EntryOf<'bottle'>): boolean =>
  store !== 'frozen' && (oilOf(known, lot)?.pct ?? 0) > OILY_PCT && !permits(process ?? null, 'oil')

/** The label of a bottled lot: what it says, how it is set, what is wrong with it, and its print. */
export function useLabel(lot: Ref<Lot | undefined>, lotId: string) {
  const book = useBook()
  const preferences = usePreferences()
  const { draft: choice } = useDraft('label-choice', LabelChoiceSchema, usualChoice)
  const { draft: own } = useDraft(`label:${lotId}`, LabelOfLotSchema, () => ({ name: '', count: null }))
  const made = computed(() => (lot.value?.made.kind === 'bottle' ? lot.value.made : null))
  const label = computed<Label | null>(() => {
    const ingredients = lot.value ? ingredientsOf(book.book, lot.value.id, { nested: choice.value.nested }) : []
    if (!lot.value || !made.value || ingredients.length === 0) return null
    const { bottleMl, at, bestBefore, treatment } = made.value
    const composition = book.composition(lot.value.id)
    const properties = composition ? propertiesOf(composition) : null
    return makeLabel({
      ...(made.value.store && { store: made.value.store }),
      oily: isOily(book.book, lot.value, made.value),
      ...{ ingredients, bottleMl, bestBefore, treatment, line: choice.value.line, picks: [...choice.value.picks] },
      name: own.value.name.trim() || lot.value.name,
      lotCode: lot.value.code,
      packed: at.slice(0, 10),
      saltPct: properties?.saltPct ?? null,
      // What nobody knows is not printed as if it were mild.
      shu: properties && !properties.heatUnknown && properties.shu.high > 0 ? properties.shu : null,
      heatWord: properties && !properties.heatUnknown ? preferences.heatWord(properties) : '',
      address: choice.value.address.split('\n'),
    })
  })
  const text = computed(() => (label.value ? labelText(label.value) : ''))
  const job = computed<LabelJob | null>(() => {
    const [what, bottleMl] = [label.value, made.value?.bottleMl]
    return what && bottleMl !== undefined
      ? { label: what, bottleMl, sheetId: choice.value.sheet, link: `${location.origin}/cellar?lot=${lotId}` }
      : null
  })
  const { set, failed } = useSetting(job)
  const problems = computed(() => [
    ...(failed.value ? ['The letters for print could not be loaded. Reload the page.'] : []),
    ...(lot.value && !label.value ? ['No ingredients are known for this lot: take in the log it was made in.'] : []),
    ...problemsOf(set.value),
  ])
  /** So many of them, to be printed. */
  function toPrint(count: number): PaperJob {
    if (!job.value) throw new Error('There is no label to print.')
    return { kind: 'bottle labels', ...job.value, count, text: text.value }
  }
  return {
    ...{ choice, own, label, text, set, problems, toPrint, made },
    claims: computed(() =>
      claimsIn(`${own.value.name} ${lot.value?.name ?? ''} ${choice.value.line} ${choice.value.address}`),
    ),
    /** What makes printing useless; the rest is only told. */
    stops: computed(() => !set.value || !set.value.layout.fits || set.value.nameless || failed.value),
    basis: computed(() => (lot.value ? labelBasis(ingredientsOf(book.book, lot.value.id)) : '')),
  }
}
