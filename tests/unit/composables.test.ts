// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { computed, effectScope, nextTick, reactive, ref, type EffectScope } from 'vue'
import { z } from 'zod'
import { createPinia, setActivePinia } from 'pinia'
import { fold, type Draft, type Entry, type MixAnswer } from '@lactofer/core'
import { useBackups } from '~/composables/useBackups'
import { useDraft } from '~/composables/useDraft'
import { useForm } from '~/composables/useForm'
import { useProbeLog } from '~/composables/useProbeLog'
import { useShelf } from '~/composables/useShelf'
import { useSolver } from '~/composables/useSolver'
import { freshBlendDraft, freshPart } from '~/forms/blendForm'
import { say } from '~/composables/say'
import { drafts } from '~/db/drafts'
import { journal } from '~/db/journal'
import { useKeeping } from '~/stores/keeping'
import { useRound } from '~/stores/round'
import { useTimers } from '~/stores/timers'
import { openLots } from '../../benchmarks/openLots.mjs'
import { NOW } from '../lateId'

/* What the composables keep, ask and write, with the log, the workers and the page put in their place. */

const book = vi.hoisted(() => ({
  ready: true,
  nowMs: 0,
  book: {},
  fermenting: [] as unknown[],
  asks: [] as unknown[],
  begun: null as ReadonlyMap<string, readonly unknown[]> | null,
  homeMark: () => null,
  record: vi.fn<(...drafts: unknown[]) => Promise<string[]>>(),
  followed: vi.fn<(ids: readonly string[]) => Promise<void>>(() => Promise.resolve()),
  lot: vi.fn<(id: string) => unknown>(),
}))
const instruments = vi.hoisted(() => ({
  connected: true,
  simulates: true,
  problem: '',
  state: { probes: [] as { id: string; name: string; value: number | null; steady: boolean }[] },
}))
/** The second copy of begun forms. */
const files = vi.hoisted(() => ({
  there: false,
  append: vi.fn<(lines: string) => Promise<void>>(() => Promise.resolve()),
  drafts: vi.fn<() => Promise<{ key: string; text: string }[]>>(),
  keepDraft: vi.fn<(key: string, text: string) => Promise<void>>(() => Promise.resolve()),
}))
const backup = vi.hoisted(() => ({ of: null as unknown }))
const askForMix = vi.hoisted(() => vi.fn<() => Promise<unknown>>())
vi.mock('~/stores/book', () => ({ useBook: () => book, newLotId: () => 'L1' }))
vi.mock('~/stores/backup', () => ({ useBackup: () => backup.of }))
vi.mock('~/stores/instruments', () => ({ useInstruments: () => instruments }))
vi.mock('~/stores/preferences', () => ({ usePreferences: () => ({ probes: { 'probe-1': 'L1' } }) }))
vi.mock('~/workers/witness', () => ({ hasPrivateFiles: () => files.there, witness: () => files }))
vi.mock('~/workers/blender', () => ({ askForMix }))

/** What went wrong is said beside the page. */
const said = vi.spyOn(say, 'problem').mockImplementation(() => undefined)
// This page leads: of several one does.
Object.defineProperty(navigator, 'locks', {
  value: { request: async (...args: unknown[]) => (args.at(-1) as (lock: object) => unknown)({}) },
})

let scope: EffectScope
const inScope = <T>(make: () => T): T => scope.run(make)!
beforeEach(() => {
  scope = effectScope()
  setActivePinia(createPinia())
  localStorage.clear()
  book.record.mockReset().mockResolvedValue(['1'])
  said.mockClear()
  askForMix.mockReset()
})
afterEach(async () => {
  scope.stop()
  vi.useRealTimers()
  await drafts.clear()
})

const JarSchema = z.object({ name: z.string() })
const openJar = () => inScope(() => useDraft('jar', JarSchema, () => ({ name: '' })))

describe('a draft', () => {
  it('is there again when the page opens anew, and gone once it was cleared', async () => {
    const first = openJar()
    await first.loaded
    first.draft.value.name = 'Plum'
    await first.save()
    const again = openJar()
    await again.loaded
    expect(again.draft.value).toEqual({ name: 'Plum' })
    again.reset()
    await again.save()
    const third = openJar()
    await third.loaded
    expect(third.draft.value).toEqual({ name: '' })
  })

  it('keeps what was typed in the moment before the page went', async () => {
    const first = openJar()
    await first.loaded
    first.draft.value.name = 'Pl'
    await first.save()
    first.draft.value.name = 'Plum'
    window.dispatchEvent(new Event('pagehide'))
    const again = openJar()
    await again.loaded
    expect(again.draft.value.name).toBe('Plum')
  })

  it('keeps what was tapped before the stored one was read back, field by field', async () => {
    const TwoSchema = z.object({ name: z.string(), grams: z.number().nullable() })
    const open = () => inScope(() => useDraft('two', TwoSchema, () => ({ name: '', grams: null })))
    const first = open()
    await first.loaded
    first.draft.value.name = 'Plum'
    await first.save()
    const again = open()
    again.draft.value.grams = 5
    await again.loaded
    expect(again.draft.value).toEqual({ name: 'Plum', grams: 5 })
  })

  it('of a shape that is no longer known is left alone, and the form begins anew', async () => {
    const first = openJar()
    await first.loaded
    first.draft.value.name = 'Plum'
    await first.save()
    const other = inScope(() => useDraft('jar', z.object({ grams: z.number() }), () => ({ grams: 0 })))
    await other.loaded
    expect(other.draft.value).toEqual({ grams: 0 })
    // Nor is it gone when the page is left.
    scope.stop()
    await new Promise((resolve) => setTimeout(resolve, 50))
    expect(await drafts.get('jar')).toEqual({ key: 'jar', value: { name: 'Plum' } })
  })

  it('that the database lost is waited for, and not begun anew on top of what comes back', async () => {
    files.there = true
    let bring = (_kept: { key: string; text: string }[]) => {}
    files.drafts.mockReturnValueOnce(new Promise((resolve) => (bring = resolve)))
    const first = openJar()
    await vi.waitFor(() => expect(files.drafts).toHaveBeenCalled())
    bring([{ key: 'jar', text: '{"name":"Half typed"}' }])
    await first.loaded
    expect(first.draft.value).toEqual({ name: 'Half typed' })
    scope.stop()
    expect(files.keepDraft).not.toHaveBeenCalled()
    files.there = false
  })
})

/** A form with one field, and the press of its button. */
function pageWith(unread: boolean) {
  document.body.innerHTML = `<form><input aria-invalid="${unread}"><button></button></form>`
  const event = new Event('click')
  Object.defineProperty(event, 'currentTarget', { value: document.querySelector('button') })
  return { event, led: () => document.activeElement?.tagName === 'INPUT' }
}
const use = (name: string): Draft[] => [
  { kind: 'discard', at: '2026-05-04T09:00:00.000Z', lotId: 'L1', reason: name, massG: 1 } as Draft,
]
const openForm = () =>
  inScope(() => {
    const made = useForm({
      fresh: () => ({ name: '' }),
      problems: (): Record<'name', string | null> => ({ name: made.form.value.name ? null : 'Name it.' }),
    })
    return made
  })

describe('a form', () => {
  it('says nothing before it is asked, then beside its field; nothing is recorded', async () => {
    const { shown, problem, confirm, form } = openForm()
    expect([shown.value, problem.value]).toEqual([{}, null])
    expect(await confirm(pageWith(false).event, () => use('x'))).toBe(false)
    expect([shown.value.name, problem.value]).toEqual(['Name it.', 'Name it.'])
    form.value.name = 'Plum'
    expect(problem.value).toBeNull()
    expect(book.record).not.toHaveBeenCalled()
  })

  it('leads to a field that could not be read, and records nothing without it', async () => {
    const { confirm, marked, form } = openForm()
    form.value.name = 'Plum'
    const { event, led } = pageWith(true)
    expect(await confirm(event, () => use('Plum'))).toBe(false)
    expect([led(), marked.value]).toEqual([true, true])
    expect(book.record).not.toHaveBeenCalled()
  })

  it('is recorded once it is right, and begins anew when told to', async () => {
    const { confirm, form, asked, written, reset } = openForm()
    form.value.name = 'Plum'
    expect(await confirm(pageWith(false).event, () => use(form.value.name))).toBe(true)
    expect(book.record).toHaveBeenCalledWith(use('Plum')[0])
    expect(written.value).toEqual(['1'])
    reset()
    expect([form.value.name, asked.value]).toEqual(['', false])
  })

  it('keeps what was typed when the log could not take it, and says so', async () => {
    book.record.mockRejectedValue(new Error('full'))
    const { confirm, form, busy } = openForm()
    form.value.name = 'Plum'
    expect(await confirm(pageWith(false).event, () => use('Plum'))).toBe(false)
    expect([form.value.name, busy.value, said.mock.calls.length]).toEqual(['Plum', false, 1])
  })
})

describe('what is recorded', () => {
  it('stands in the database and in the second copy, the demo in the database only', async () => {
    const [own, demo] = openLots(1, NOW) as [Entry, Entry]
    await useKeeping().record([own, { ...demo, origin: 'demo' }])
    expect(await journal.entries.count()).toBe(2)
    const lines = files.append.mock.calls.map(([text]) => text).join('')
    expect(lines).toContain(own.id)
    expect(lines).not.toContain(demo.id)
    await journal.entries.clear()
  })
})

describe('a kitchen timer', () => {
  it('rests a lot for a quarter of an hour, and lets those of others run', () => {
    const timers = useTimers()
    timers.start('L1', 'LF-01')
    timers.start('L2', 'LF-02', 5)
    const { fromMs, untilMs } = timers.of('L1')!
    expect(untilMs - fromMs).toBe(15 * 60_000)
    timers.stop('L1')
    expect(timers.running.map(({ code }) => code)).toEqual(['LF-02'])
  })
})

describe('a probe', () => {
  const lot = (readings: unknown[]) => book.lot.mockReturnValue({ id: 'L1', state: 'fermenting', readings })
  const before = (minutes: number, tempC: number) => [
    {
      at: new Date(Date.now() - minutes * 60_000).toISOString(),
      tempC,
      instrument: { kind: 'probe', name: 'Probe' },
    },
  ]
  const look = async (value: number | null, steady = true) => {
    instruments.state.probes = [{ id: 'probe-1', name: 'Probe', value, steady }]
    await vi.advanceTimersByTimeAsync(5000)
  }

  it('logs when it moved or when it is time, never a reading that is not steady or not there', async () => {
    vi.useFakeTimers()
    lot(before(60, 20))
    inScope(() => useProbeLog())
    await look(20.5)
    await look(23, false)
    await look(null)
    expect(book.record).not.toHaveBeenCalled()
    await look(23)
    expect(book.record).toHaveBeenCalledWith(expect.objectContaining({ kind: 'reading', lotId: 'L1', tempC: 23 }))
    lot(before(5, 20))
    await look(23)
    expect(book.record, 'moved, but read five minutes ago').toHaveBeenCalledTimes(1)
    lot(before(181, 20))
    await look(20)
    expect(book.record, 'three hours are over').toHaveBeenCalledTimes(2)
  })

  it('says when the log refused it, and tries again by itself', async () => {
    vi.useFakeTimers()
    lot(before(600, 20))
    book.record.mockRejectedValueOnce(new Error('full'))
    inScope(() => useProbeLog())
    await look(20)
    expect(instruments.problem).toContain('tries again by itself')
    await look(20)
    expect(book.record).toHaveBeenCalledTimes(2)
  })
})

describe('the solver', () => {
  const opened = () => {
    const draft = ref(freshBlendDraft('S1'))
    draft.value.sauces[0]!.parts = [600, 400].map((massG, index) => ({
      ...freshPart({ key: `p${index}`, name: 'Part', materialId: 'water', massG }),
    }))
    /** What is asked follows the pot, as on the bench. */
    const question = () => ({ indexes: [0], set: { mixes: [{ phMargin: 0, of: masses() }] }, problem: null }) as never
    const masses = () => draft.value.sauces[0]!.parts.map(({ massG }) => massG)
    const sauce = computed(() => draft.value.sauces[0]!)
    return { draft, masses, ...inScope(() => useSolver({ draft, question, sauce })) }
  }
  const answers = (answer: Partial<MixAnswer>) => askForMix.mockResolvedValueOnce(answer)
  /** Past the pause after the last change, and past the answer. */
  const settle = async () => {
    await vi.advanceTimersByTimeAsync(300)
    await nextTick()
  }
  beforeEach(() => vi.useFakeTimers())

  it('tells what it would be and changes nothing; set, it is on the bench, and can be put back until it is touched', async () => {
    answers({ status: 'solved', massesG: [[700, 300]], missed: [], binding: [] })
    const { draft, masses, ghosts, differs, setPot, canPutBack, putBack } = opened()
    await settle()
    expect([masses(), ghosts.value, differs.value]).toEqual([[600, 400], [700, 300], true])
    await setPot()
    expect([masses(), ghosts.value, canPutBack.value]).toEqual([[700, 300], null, true])
    putBack()
    expect([masses(), canPutBack.value]).toEqual([[600, 400], false])

    await setPot()
    draft.value.sauces[0]!.parts[0]!.massG = 650
    expect(canPutBack.value).toBe(false)
  })

  it('changes nothing where there is no answer, or no solver, and says which', async () => {
    answers({ status: 'infeasible', nearestG: null, missed: [], advice: [], reach: [] })
    const { draft, masses, ghosts, problem, setPot } = opened()
    await settle()
    await setPot()
    expect([masses(), ghosts.value, problem.value]).toEqual([[600, 400], null, ''])
    askForMix.mockRejectedValueOnce(new Error('no worker'))
    draft.value.sauces[0]!.parts[0]!.massG = 650
    await settle()
    expect([masses(), problem.value]).toEqual([[650, 400], expect.stringContaining('nothing was changed')])
  })
})

describe('the way back of the round', () => {
  it('takes back what is still being written', async () => {
    let inLog = (_ids: string[]) => {}
    book.record.mockReturnValueOnce(new Promise((resolve) => (inLog = resolve)))
    const round = useRound()
    const tapped = round.did('L1', 'burp')
    // The key comes before the log has answered.
    const back = round.undo()
    inLog(['7'])
    expect(await tapped).toBe(true)
    await back
    expect(book.record.mock.calls.slice(1)).toEqual([[expect.objectContaining({ kind: 'retract', replaces: '7' })]])
    expect(round.last).toBeNull()
  })

  it('is busy until it is told what is asked for anew: no task is there twice', async () => {
    let tell = () => {}
    book.followed.mockReturnValueOnce(new Promise<void>((resolve) => (tell = resolve)))
    const round = useRound()
    const tapped = round.did('L1', 'burp')
    await vi.waitFor(() => expect(book.followed).toHaveBeenCalledWith(['1']))
    expect([round.busy, round.last]).toEqual([true, null])
    tell()
    await tapped
    expect([round.busy, round.last?.lotIds]).toEqual([false, ['L1']])
  })

  it('stands after something that could not be written', async () => {
    const round = useRound()
    await round.did('L1', 'burp')
    book.record.mockRejectedValueOnce(new Error('full'))
    expect(await round.did('L1', 'skim')).toBe(false)
    await round.undo()
    expect(book.record).toHaveBeenLastCalledWith(expect.objectContaining({ kind: 'retract', replaces: '1' }))
  })
})

describe('archives by themselves', () => {
  it('follow what is due, though it is told long after the entries it is told of', async () => {
    vi.useFakeTimers()
    const state = reactive({ folder: 'kept', due: null as string | null, runWhereDue: vi.fn() })
    backup.of = state
    inScope(() => useBackups())
    await vi.advanceTimersByTimeAsync(60_000)
    expect(state.runWhereDue).toHaveBeenCalledTimes(1)
    state.due = 'a release'
    await vi.advanceTimersByTimeAsync(60_000)
    expect(state.runWhereDue).toHaveBeenCalledTimes(2)
  })
})

describe('a long shelf', () => {
  afterEach(() => Object.assign(book, { book: {}, fermenting: [], begun: null }))

  it('draws no lot that was not looked at: it would stand there as if it asked for nothing', () => {
    const folded = fold(openLots(3, NOW) as Entry[])
    const lots = [...folded.lots.values()]
    const second = lots[1]!.id
    const begun = new Map([[second, [{ lotId: second, level: 'act' }]]])
    Object.assign(book, { book: folded, fermenting: lots, begun })
    const shelf = inScope(() => useShelf(ref('all'), ref({ widthPx: 800, heightPx: 600 }), ref([])))
    expect(shelf.placed.value.map(({ lot, level }) => [lot.id, level])).toEqual([[second, 'act']])
    expect([shelf.unseen.value, shelf.counts.value]).toEqual([2, [{ level: 'all', count: 3 }]])
  })
})
