import { formatNumber, InvalidInput, planFigures, styleById, type Book, type EntryOf } from '@lactofer/core'

type Version = EntryOf<'recipe'>
type Side = { version: Version; figures: ReturnType<typeof figuresOf> } | null

function figuresOf(book: Book, { plan }: Version) {
  try {
    return planFigures(book, plan)
  } catch (error) {
    if (error instanceof InvalidInput) return null
    throw error
  }
}

/** An ingredient by the kilogram of all of them. */
function perKg(side: Side, name: string): string {
  const all = side?.version.plan.rows ?? []
  const rows = all.filter((row) => row.name === name)
  const total = all.reduce((sum, row) => sum + row.massG, 0)
  if (rows.length === 0 || total <= 0) return '–'
  const grams = formatNumber((1000 * rows.reduce((sum, row) => sum + row.massG, 0)) / total)
  const raw = rows.every((row) => row.preparation === 'raw')
  return raw ? `${grams} g` : `${grams} g, ${rows.map((row) => row.preparation).join(', ')}`
}

const twoDigits = (value: number) => formatNumber(Number(value.toPrecision(2)))

/** What is laid side by side, under the ingredients. */
const LINES: readonly [name: string, of: (side: NonNullable<Side>) => string][] = [
  [
    'Water, per kg of ingredients',
    ({ version, figures }) =>
      `${formatNumber((1000 * version.plan.waterG) / Math.max(1, figures?.ingredientG ?? 1))} g`,
  ],
  ['Salt', ({ version: { plan } }) => `${plan.saltPct} % of the ${plan.saltBasis}`],
  ['Salt, evened out', ({ figures }) => (figures ? `${formatNumber(figures.dose.ofEverythingPct, 2)} %` : '–')],
  ['Start pH', ({ figures }) => (figures?.ph ? `${figures.ph.low.toFixed(1)}–${figures.ph.high.toFixed(1)}` : '–')],
  [
    'Heat, SHU',
    ({ figures }) =>
      figures ? `${twoDigits(figures.properties.shu.low)}–${twoDigits(figures.properties.shu.high)}` : '–',
  ],
  ['Sugar', ({ figures }) => (figures ? `${formatNumber(figures.properties.sugarPct.typical, 1)} %` : '–')],
  [
    'Raw share',
    ({ figures }) => (figures === null || figures.raw === null ? '–' : `${formatNumber(100 * figures.raw)} %`),
  ],
  ['Target pH', ({ version }) => version.plan.targetPh.toFixed(2)],
  ['Note', ({ version }) => version.note ?? ''],
]

/** Two recipes by the kilogram of ingredients, line by line, so that sizes do not hide what differs. */
export function compareRecipes(book: Book, versions: readonly (Version | null)[]) {
  const sides: Side[] = versions.map((version) => version && { version, figures: figuresOf(book, version) })
  const names = [...new Set(sides.flatMap((side) => side?.version.plan.rows.map((row) => row.name) ?? []))]
  const line = (name: string, of: (side: NonNullable<Side>) => string) => ({
    name,
    cells: sides.map((side) => (side ? of(side) : '')),
  })
  return [
    line('Style', ({ version }) => styleById(version.plan.style).name),
    ...names.map((name) => ({ name, cells: sides.map((side) => perKg(side, name)) })),
    ...LINES.map(([name, of]) => line(name, of)),
  ].map((one) => ({ ...one, differs: one.cells[0] !== one.cells[1] }))
}
