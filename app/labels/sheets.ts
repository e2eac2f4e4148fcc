import regularUrl from '@expo-google-fonts/atkinson-hyperlegible-next/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf?url'
import boldUrl from '@expo-google-fonts/atkinson-hyperlegible-next/700Bold/AtkinsonHyperlegibleNext_700Bold.ttf?url'

/* Pages, sheets of labels and faces that paper is made with: what a page may choose from. */

/** Sizes in points, 1/72 inch. */
export const PAGES = {
  a4: { name: 'A4', width: 595.28, height: 841.89 },
  letter: { name: 'Letter', width: 612, height: 792 },
} as const
export type PageId = keyof typeof PAGES

/** A sheet of labels: so many columns and rows of one size. */
interface LabelSheet {
  name: string
  width: number
  height: number
  labelWidth: number
  labelHeight: number
  left: number
  top: number
  gapX: number
  columns: number
  rows: number
}

/** Points in a millimetre. */
const MM = 72 / 25.4
/** A sheet with labels of a size in millimetres, set in its middle. */
function sheetOf(
  page: { name: string; width: number; height: number },
  wide: number,
  high: number,
  columns: number,
  rows: number,
  gapMm = 2.5,
): LabelSheet {
  const [labelWidth, labelHeight, gapX] = [wide * MM, high * MM, gapMm * MM]
  return {
    ...page,
    name: `${page.name}, ${columns * rows} of ${wide} × ${high} mm`,
    labelWidth,
    labelHeight,
    gapX,
    columns,
    rows,
    left: (page.width - columns * labelWidth - (columns - 1) * gapX) / 2,
    top: (page.height - rows * labelHeight) / 2,
  }
}
/** One label a page, for a label printer. */
const roll = (wide: number, high: number): LabelSheet => ({
  name: `Label printer, ${wide} × ${high} mm`,
  width: wide * MM,
  height: high * MM,
  labelWidth: wide * MM,
  labelHeight: high * MM,
  left: 0,
  top: 0,
  gapX: 0,
  columns: 1,
  rows: 1,
})

/** Sheets of labels; the maker looks at the packet. */
export const SHEETS = {
  a4: {
    ...PAGES.a4,
    name: 'A4, 10 of 99 × 57 mm',
    labelWidth: 280.9,
    labelHeight: 161.6,
    left: 13.3,
    top: 17,
    gapX: 7,
    columns: 2,
    rows: 5,
  },
  letter: {
    ...PAGES.letter,
    name: 'Letter, 10 of 4 × 2 in',
    labelWidth: 288,
    labelHeight: 144,
    left: 11.25,
    top: 36,
    gapX: 13.5,
    columns: 2,
    rows: 5,
  },
  'a4-large': sheetOf(PAGES.a4, 99, 93, 2, 3),
  'a4-wrap': sheetOf(PAGES.a4, 190, 61, 1, 4),
  'a4-small': sheetOf(PAGES.a4, 64, 38, 3, 7),
  'letter-large': {
    ...PAGES.letter,
    name: 'Letter, 6 of 4 × 3⅓ in',
    labelWidth: 288,
    labelHeight: 240,
    left: 11.25,
    top: 36,
    gapX: 13.5,
    columns: 2,
    rows: 3,
  },
  'roll-100': roll(100, 60),
  'roll-60': roll(60, 40),
} as const satisfies Record<string, LabelSheet>
export type SheetId = keyof typeof SHEETS
/** How many pages so many labels take. */
export const pagesFor = (count: number, sheetId: SheetId): number =>
  Math.ceil(count / (SHEETS[sheetId].columns * SHEETS[sheetId].rows))

/** Where the two shipped faces for print are. */
export const PRINT_FACES = { regular: regularUrl, bold: boldUrl } as const
