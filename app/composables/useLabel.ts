import { computed, shallowRef, watch, type Ref } from 'vue'
import { z } from '@lactofer/core'
import {
  claimsIn,
  ingredientsOf,
  labelBasis,
  labelText,
  LABEL_PICKS,
  makeLabel,
  propertiesOf,
  type Label,
  type Lot,
} from '@lactofer/core'
import { labelPress, type SetLabel } from '~/labels/bottleLabels'
import { PRINT_FACES, SHEETS, type SheetId } from '~/labels/paper'
import { useDraft } from '~/composables/useDraft'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

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
function problemsOf(set: SetLabel | null): string[] {
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
function useSetting(label: Ref<Label | null>, bottleMl: () => number | undefined, sheet: () => SheetId) {
  const set = shallowRef<SetLabel | null>(null)
  const failed = shallowRef(false)
  // One pair of faces measures for as long as the page is open.
  const press = Promise.all([labelPress('Label'), loadFaces()]).then(([found]) => found)
  watch(
    [label, sheet],
    async ([now, on]) => {
      try {
        const { set: lay } = await press
        const ml = bottleMl()
        if (now === label.value) set.value = now && ml !== undefined ? lay(now, ml, on) : null
      } catch {
        failed.value = true
      }
    },
    { immediate: true },
  )
  return { set, failed }
}

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
      ...{ ingredients, bottleMl, bestBefore, treatment, line: choice.value.line, picks: choice.value.picks },
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
  const { set, failed } = useSetting(
    label,
    () => made.value?.bottleMl,
    () => choice.value.sheet,
  )
  const problems = computed(() => [
    ...(failed.value ? ['The letters for print could not be loaded. Reload the page.'] : []),
    ...(lot.value && !label.value ? ['No ingredients are known for this lot: take in the log it was made in.'] : []),
    ...problemsOf(set.value),
  ])
  async function pdf(count: number, link: string): Promise<Uint8Array> {
    if (!label.value || !made.value || !lot.value) throw new Error('There is no label to print.')
    const paper = await labelPress(`${label.value.name}, ${label.value.lot}`, text.value.replaceAll('\n', ' '))
    return paper.print(paper.set(label.value, made.value.bottleMl, choice.value.sheet), count, choice.value.sheet, link)
  }
  return {
    ...{ choice, own, label, text, set, problems, pdf, made },
    claims: computed(() =>
      claimsIn(`${own.value.name} ${lot.value?.name ?? ''} ${choice.value.line} ${choice.value.address}`),
    ),
    /** What makes printing useless; the rest is only told. */
    stops: computed(() => !set.value || !set.value.layout.fits || set.value.nameless || failed.value),
    basis: computed(() => (lot.value ? labelBasis(ingredientsOf(book.book, lot.value.id)) : '')),
  }
}
