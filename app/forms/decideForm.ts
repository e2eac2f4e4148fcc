import {
  COLD_C,
  formatMass,
  inJars,
  isByTaste,
  mostBrineG,
  readTemperatures,
  type Draft,
  type EntryOf,
  type Lot,
  type ToldJudgement,
  type UnitWorld,
} from '@lactofer/core'
import { codeProblem } from './problems'

/** What can be decided about a lot that stands. */
export type Deciding = 'cold' | 'warm' | 'wait' | 'ready' | 'home' | 'brine' | 'discard'

/** What is said with a decision: place and temperature, days, a reason, an amount, pictures. */
export interface DecideForm {
  place: string
  tempC: number | null
  days: number
  reason: string
  massG: number | null
  code: string
  marks: string[]
  photos: string[]
}

/** Days that more time is given unless something else is said. */
const USUAL_DAYS = 3
/** Where it usually goes, and how warm it is there, °C. Common practice. */
const USUAL_PLACE = { cold: { place: 'Cold store', tempC: 4 }, warm: { place: 'Bench', tempC: 20 } } as const

/** A decision begun: it goes where other lots stand that cold or that warm, else where it usually would. */
export function freshDecision(what: Deciding | null, lot: Lot, others: readonly Lot[]): DecideForm {
  const usual = what === 'cold' || what === 'warm' ? USUAL_PLACE[what] : null
  const there = others
    .filter(({ id, place }) => id !== lot.id && place !== lot.place)
    .find((other) => (what === 'cold') === (readTemperatures(other).at(-1)?.tempC ?? USUAL_PLACE.warm.tempC) <= COLD_C)
  const own = what === 'warm' ? lot.packed?.place : undefined
  return {
    place: usual ? (there?.place ?? own ?? usual.place) : '',
    tempC: usual?.tempC ?? null,
    ...{ days: USUAL_DAYS, reason: '', massG: null, photos: [] },
    code: `${lot.code.slice(0, 18)}K`,
    marks: lot.vessels.map(({ mark }) => mark),
  }
}

/** What a decision is held against. */
export interface DecideCase {
  lot: Lot
  stand: ToldJudgement | null
  /** Why nothing may be made of the lot; `null` where something may. */
  stopped: string | null
  codeTaken: (code: string) => boolean
  world: UnitWorld
}

/** Likely under by eye and tongue, with no pH that tells: what is called ready then is marked "not measured". */
export const byTasteOf = (stand: ToldJudgement | null) => stand?.reasons.find(isByTaste) ?? null

/** Whether it may be decided that it is eaten at home: the record cannot show that it passed in time. */
export const mayEatAtHome = (stand: ToldJudgement | null): boolean =>
  stand?.reasons.some((reason) => reason.code === 'may have passed late' && reason.facts.home) ?? false

/** Whether calling it ready goes against its readings: that wants a reason. */
export const isAgainst = (stand: ToldJudgement | null): boolean => stand?.state !== 'ready' && !byTasteOf(stand)

function brineProblem({ massG }: DecideForm, { lot, stopped, world }: DecideCase): string | null {
  if (stopped) return `It stops here. ${stopped}`
  if (massG === null || massG < 1) return 'Weigh what you draw off.'
  return massG > mostBrineG(lot)
    ? `That is more than the brine of ${formatMass(lot.leftG, world)}. Pieces must stay covered.`
    : null
}

/** What keeps a decision out of the log: the code of kept brine beside its field, all else in one place. */
export function decideProblems(
  what: Deciding | null,
  form: DecideForm,
  known: DecideCase,
): Record<'code' | 'form', string | null> {
  const reason = form.reason.trim()
  switch (what) {
    case 'cold':
    case 'warm':
      if (!form.place.trim()) return { code: null, form: 'Say where it stands from now on.' }
      if (form.tempC === null) return { code: null, form: 'Say how warm it is there.' }
      return {
        code: null,
        form:
          what === 'cold' && form.tempC > COLD_C ? `Over ${COLD_C} °C it goes on working: that is not the cold.` : null,
      }
    case 'ready':
      return {
        code: null,
        form: isAgainst(known.stand) && !reason ? 'Its readings do not say so. Say why you do.' : null,
      }
    case 'brine':
      return {
        code: codeProblem(form.code.trim(), known.codeTaken, ' Choose a new one.'),
        form: brineProblem(form, known),
      }
    case 'discard':
      if (!reason) return { code: null, form: 'Say why: the next batch learns from it.' }
      return { code: null, form: form.marks.length === 0 ? 'Choose the vessels that are thrown away.' : null }
    default:
      return { code: null, form: null }
  }
}

/** The colour of brine on tape and charts. */
const BRINE_COLOUR = '#cdbd84'

/**
 * The entry of a decision. @param at the moment, `until` the one it is looked at again, `brineId` the lot that kept
 * brine becomes.
 */
export function decideDraft(
  what: Deciding,
  form: DecideForm,
  { lot, stand }: DecideCase,
  { at, until, brineId }: { at: string; until: string; brineId: string },
): Draft {
  const said = { at, lotId: lot.id, reason: form.reason.trim() }
  const decide = (decision: EntryOf<'decide'>['decision']) => ({ ...said, kind: 'decide' as const, decision })
  switch (what) {
    case 'cold':
    case 'warm':
      return { ...decide(what), place: form.place.trim(), tempC: form.tempC ?? USUAL_PLACE[what].tempC }
    case 'wait':
      return { ...decide('wait'), until }
    case 'home':
      return decide('home')
    case 'ready': {
      const facts = byTasteOf(stand)?.facts
      const likely = facts && 'chance' in facts ? (facts.chance ?? undefined) : undefined
      return { ...decide('ready'), ...(likely !== undefined && { likely }) }
    }
    case 'brine': {
      const massG = form.massG ?? 0
      return {
        ...{ kind: 'press', at, lotId: brineId, code: form.code.trim(), name: `${lot.name}, brine`.slice(0, 80) },
        ...{ color: BRINE_COLOUR, fromLotId: lot.id, method: 'draw', inG: massG, baseG: massG, pulpG: 0, seedsG: 0 },
      }
    }
    case 'discard':
      return {
        ...{ ...said, kind: 'discard', massG: Math.round(inJars(lot, form.marks)) },
        ...(form.marks.length < lot.vessels.length && { marks: [...form.marks] }),
        ...(form.photos.length > 0 && { photos: [...form.photos] }),
      }
  }
}
