import { computed, shallowRef, watch, type Ref } from 'vue'
import { z } from 'zod'
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

/** The label of a bottled lot: what it says, how it is set, what is wrong with it, and its print. */
export function useLabel(lot: Ref<Lot | undefined>, lotId: string) {
  const book = useBook()
  const preferences = usePreferences()
  const { draft: choice } = useDraft('label-choice', LabelChoiceSchema, (): z.infer<typeof LabelChoiceSchema> => ({
    sheet: 'a4',
    picks: ['contains', 'bestBefore', 'storage', 'heat', 'address', 'code'],
    nested: false,
    address: '',
    line: '',
  }))
  const { draft: own } = useDraft(`label:${lotId}`, LabelOfLotSchema, () => ({ name: '', count: null }))
  const made = computed(() => (lot.value?.made.kind === 'bottle' ? lot.value.made : null))
  const parts = computed(() =>
    lot.value ? ingredientsOf(book.book, lot.value.id, { nested: choice.value.nested }) : [],
  )
  const label = computed<Label | null>(() => {
    const composition = lot.value && book.composition(lot.value.id)
    if (!lot.value || !made.value || parts.value.length === 0) return null
    const properties = composition ? propertiesOf(composition) : null
    return makeLabel({
      name: own.value.name.trim() || lot.value.name,
      line: choice.value.line,
      ingredients: parts.value,
      bottleMl: made.value.bottleMl,
      lotCode: lot.value.code,
      packed: made.value.at.slice(0, 10),
      bestBefore: made.value.bestBefore,
      treatment: made.value.treatment,
      saltPct: properties?.saltPct ?? null,
      shu: properties && properties.shu.high > 0 ? properties.shu : null,
      heatWord: properties ? preferences.heatWord(properties.shu.typical) : '',
      address: choice.value.address.split('\n'),
      picks: choice.value.picks,
    })
  })
  const text = computed(() => (label.value ? labelText(label.value) : ''))
  const set = shallowRef<SetLabel | null>(null)
  const failed = shallowRef(false)
  // One pair of faces measures for as long as the page is open.
  const press = Promise.all([labelPress('Label'), loadFaces()]).then(([found]) => found)
  watch(
    [label, () => choice.value.sheet],
    async ([now, sheet]) => {
      try {
        const { set: lay } = await press
        if (now === label.value) set.value = now && made.value ? lay(now, made.value.bottleMl, sheet) : null
      } catch {
        failed.value = true
      }
    },
    { immediate: true },
  )
  const claims = computed(() =>
    claimsIn(`${own.value.name} ${lot.value?.name ?? ''} ${choice.value.line} ${choice.value.address}`),
  )
  const problems = computed(() => {
    const found: string[] = []
    if (failed.value) found.push('The letters for print could not be loaded. Reload the page.')
    if (lot.value && !label.value) found.push('No ingredients are known for this lot: take in the log it was made in.')
    if (set.value?.missing.length)
      found.push(
        `The shipped letters have no ${set.value.missing
          .slice(0, 12)
          .map((sign) => `“${sign}”`)
          .join(
            ', ',
          )}${set.value.missing.length > 12 ? ' and others' : ''}: they are left out. Write it in other letters, or print this label elsewhere.`,
      )
    if (set.value?.nameless) found.push('Nothing of the name can be printed. Write a name in Latin letters.')
    if (set.value && !set.value.layout.fits)
      found.push('It does not fit at a size that can be read. Choose a larger label, or show less.')
    return found
  })
  /** What makes printing useless; the rest is only told. */
  const stops = computed(() => !set.value || !set.value.layout.fits || set.value.nameless || failed.value)
  const basis = computed(() => (lot.value ? labelBasis(ingredientsOf(book.book, lot.value.id)) : ''))
  async function pdf(count: number, link: string): Promise<Uint8Array> {
    if (!label.value || !made.value || !lot.value) throw new Error('There is no label to print.')
    const paper = await labelPress(`${label.value.name}, ${label.value.lot}`, text.value.replaceAll('\n', ' '))
    return paper.print(paper.set(label.value, made.value.bottleMl, choice.value.sheet), count, choice.value.sheet, link)
  }
  return { choice, own, label, text, set, claims, problems, stops, basis, pdf, made }
}
