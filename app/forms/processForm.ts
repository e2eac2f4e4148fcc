import { PERMITS, ProcessSchema, type Permit, type Process } from '@lactofer/core'

type Amounts = Record<
  | 'largestMl'
  | 'initialC'
  | 'fillC'
  | 'holdMin'
  | 'invertMin'
  | 'boilMin'
  | 'refC'
  | 'zC'
  | 'minutes'
  | 'maxPh'
  | 'maxAw'
  | 'leastAirPct'
  | 'standDays',
  number | null
>

/** A process while it is written down; figures that the letter does not name stay empty. */
export type ProcessForm = Amounts &
  Pick<Process, 'basis' | 'name' | 'author' | 'written' | 'product' | 'container' | 'closure' | 'pack'> & {
    permits: Permit[]
    photos: string[]
  }

export const freshProcess = (): ProcessForm => ({
  ...{ basis: 'scheduled process', name: '', author: '', written: '', product: '', container: '', closure: '' },
  ...{ pack: 'hot', permits: ['shelf'], photos: [] },
  ...{ largestMl: null, initialC: null, fillC: null, holdMin: null, invertMin: null, boilMin: null },
  ...{ refC: null, zC: null, minutes: null, maxPh: null, maxAw: null, leastAirPct: null, standDays: null },
})

/** What a process may permit, in words. */
export const PERMIT_WORDS: Record<Permit, string> = {
  shelf: 'Standing on the shelf',
  oil: 'Oil over 0.5 %',
  'passed late': 'A batch whose record cannot show that it fell below 4.6 in time',
  'salty and late': '10 to 20 % salt, and 4.6 not read in time',
}
export const PERMIT_LIST = PERMITS.map((value) => ({ value, label: PERMIT_WORDS[value] }))

/** The process a form comes to; `null` where something is missing or cannot be. */
export function processOf(form: ProcessForm): Process | null {
  const { photos: _, ...rest } = form
  const given = Object.fromEntries(Object.entries(rest).filter(([, value]) => value !== null))
  return ProcessSchema.safeParse(given).data ?? null
}

/** What keeps a process out of the log, field by field. */
export function processProblems(form: ProcessForm): Record<keyof ProcessForm, string | null> {
  const { photos: _, ...rest } = form
  const given = Object.fromEntries(Object.entries(rest).filter(([, value]) => value !== null))
  const issues = ProcessSchema.safeParse(given).error?.issues ?? []
  const said = (key: string) => issues.find(({ path }) => path[0] === key)?.message ?? null
  const problems = Object.fromEntries(Object.keys(form).map((key) => [key, said(key)])) as Record<
    keyof ProcessForm,
    string | null
  >
  if (form.maxPh === null) problems.maxPh = 'Write the highest pH it allows: never over 4.6.'
  if (form.refC !== null && form.minutes === null)
    problems.minutes = 'Write the minutes at this temperature, or leave the temperature out.'
  if (form.pack === 'cold' && form.standDays === null)
    problems.standDays = 'Write the days it stands before it goes out.'
  return problems
}
