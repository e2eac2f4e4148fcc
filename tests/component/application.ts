import { configure, within } from '@testing-library/dom'
import { vi } from 'vitest'
import { mount, type VueWrapper } from '@vue/test-utils'
import ElementPlus from 'element-plus'
import { createPinia, disposePinia, type Pinia } from 'pinia'
import { defineAsyncComponent, defineComponent, h, nextTick, type Component } from 'vue'
import { createMemoryHistory, createRouter, RouterLink, RouterView, type Router } from 'vue-router'
import type { Entry } from '@lactofer/core'
import { deviceClock, setClock, turnedClock } from '~/clock/clock'
import AppFrame from '~/components/frame/AppFrame.vue'
import { saveForms } from '~/composables/useDraft'
import { drafts } from '~/db/drafts'
import { append, journal, replaceDemo } from '~/db/journal'

/* The whole application in memory: its frame, pages and stores over a database that forgets. No browser, no server. */

/** Its first line is enough: what a page holds is long. */
const inShort = (message: string | null) => new Error(message?.split('\n')[0])

configure({
  defaultHidden: true,
  getElementError: inShort,
})

const load = (files: Record<string, () => Promise<unknown>>) =>
  Object.entries(files).map(([path, fetch]) => ({ path, component: fetch as () => Promise<Component> }))
const COMPONENTS = load(import.meta.glob('../../app/components/**/*.vue')).flatMap(({ path, component }) => {
  const name = path.replace(/^.*\//, '').replace('.vue', '')
  return [name, `Lazy${name}`].map((called) => [called, defineAsyncComponent(component)] as const)
})
const PAGES = load(import.meta.glob('../../app/pages/**/*.vue')).map(({ path, component }) => ({
  path:
    path
      .replace('../../app/pages', '')
      .replace(/(\/index)?\.vue$/, '')
      .replace(/\[(\w+)\]/g, ':$1()') || '/',
  component,
}))
/** Every page begins anew with another address. */
const NuxtPage = defineComponent({
  setup: () => () =>
    h(RouterView, null, {
      default: ({ Component, route }: { Component?: Component; route: { path: string } }) =>
        Component && h(Component, { key: route.path }),
    }),
})

/** Files that were saved: each is made an address first. */
let saved: Blob[] = []
URL.createObjectURL = (blob) => {
  saved.push(blob as Blob)
  return 'blob:saved'
}
URL.revokeObjectURL = () => undefined

let open: { frame: VueWrapper; router: Router; pinia: Pinia; putBack: () => void } | undefined

/** How long something is waited for, ms: a busy machine is no fault of what is tested. */
const PATIENCE = { timeout: 15_000, interval: 20 }
/** Waits until something does not throw any more. */
const waitFor = <T>(look: () => T | Promise<T>): Promise<T> => vi.waitFor(look, PATIENCE)

/** Closes the page, as one closes a tab: what was typed is kept. */
async function closePage(): Promise<void> {
  await saveForms()
  open?.frame.unmount()
  if (open) disposePinia(open.pinia)
  open?.putBack()
  open = undefined
  document.body.innerHTML = ''
}
/** Opens the application at an address, on what is kept. @param atMs what time it is. */
export async function openAt(path: string, atMs = Date.now()): Promise<void> {
  await closePage()
  const router = createRouter({ history: createMemoryHistory(), routes: PAGES })
  await router.push(path)
  const components = { ...Object.fromEntries(COMPONENTS), NuxtPage, NuxtLink: RouterLink }
  const putBack = setClock(turnedClock(atMs - deviceClock()))
  const attachTo = document.body.appendChild(document.createElement('div'))
  const pinia = createPinia()
  const frame = mount(AppFrame, { attachTo, global: { plugins: [pinia, router, ElementPlus], components } })
  open = { frame, router, pinia, putBack }
  await heading()
}
/** Closes the application and forgets its log. */
export async function forget(): Promise<void> {
  await closePage()
  saved = []
  localStorage.clear()
  await Promise.all([journal.entries, journal.newer, journal.choices, journal.photos, drafts].map((one) => one.clear()))
}
/** Opens the application on a log of its own. */
export async function openWith(log: readonly Entry[], path: string, atMs?: number): Promise<void> {
  await forget()
  await replaceDemo(log.filter(({ origin }) => origin === 'demo'))
  await append(log.filter(({ origin }) => origin !== 'demo'))
  await openAt(path, atMs)
}
/** Goes to another page, as a link does. */
export const visit = async (path: string): Promise<void> => void (await open?.router.push(path))

/** A part of the page; all of it where none is named. */
type Part = HTMLElement
const textOf = (part: Part) => part.textContent.replace(/\s+/g, ' ').trim()
const escaped = (words: string) => words.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')
/** A name that holds what is said. */
const named = (words: string | RegExp) => (typeof words === 'string' ? new RegExp(escaped(words)) : words)
const holds = (text: string, words: string | RegExp) =>
  typeof words === 'string' ? text.includes(words) : words.test(text)

/** The heading of the page, once it is there. */
export const heading = (name?: string | RegExp) =>
  waitFor(() => within(document.body).getByRole('heading', { level: 1, ...(name && { name: named(name) }) }))
/** A part with a role and a name, once it is there: a region, a dialog, a row. */
export const part = (role: string, name: string | RegExp, where: Part = document.body): Promise<Part> =>
  waitFor(() => within(where).getByRole(role, { name: named(name) }))
/** The first row of a table that says something, once it is there. */
export const row = (words: string | RegExp, where: Part = document.body): Promise<Part> =>
  waitFor(() => {
    const found = [...where.querySelectorAll<HTMLElement>('tr')].find((one) => holds(textOf(one), words))
    if (!found) throw new Error(`No row says “${String(words)}”.`)
    return found
  })
/** What a selector finds first, once it is there. */
export const found = (selector: string, where: Part = document.body): Promise<Part> =>
  waitFor(() => {
    const element = where.querySelector<HTMLElement>(selector)
    if (!element) throw new Error(`There is no ${selector}.`)
    return element
  })
/** Waits until a part says something. */
export const sees = (words: string | RegExp, where: Part = document.body): Promise<void> =>
  waitFor(() => {
    if (!holds(textOf(where), words)) throw new Error(`“${String(words)}” is not in: ${textOf(where).slice(0, 3000)}`)
  })
/** Waits until a part does not say something any more. */
export const seesNot = (words: string | RegExp, where: Part = document.body): Promise<void> =>
  waitFor(() => {
    if (holds(textOf(where), words)) throw new Error(`“${String(words)}” is still there.`)
  })
/** Waits until nothing is found by a selector. */
export const isGone = (selector: string, where: Part = document.body): Promise<void> =>
  waitFor(() => {
    if (where.querySelector(selector)) throw new Error(`${selector} is still there.`)
  })
/** Waits until a figure of the page, by its name in the data, reads so. */
export const reads = (name: string, words: string | RegExp, where: Part = document.body): Promise<void> =>
  waitFor(() => {
    const element = where.querySelector<HTMLElement>(`[data-figure="${name}"]`)
    const text = element && textOf(element)
    if (text === null || !holds(text, words)) throw new Error(`${name} reads “${text}”, not “${String(words)}”.`)
  })

/** A field by its label, once it is there. */
export const field = (label: string | RegExp, where: Part = document.body) =>
  waitFor(() => {
    const fields = within(where).queryAllByLabelText<HTMLInputElement>(label, {
      selector: 'input:not([role=combobox]), textarea',
    })
    if (!fields[0]) throw new Error(`There is no field “${String(label)}”.`)
    return fields[0]
  })
/** Waits until a field holds something. */
export const holdsValue = async (label: string | RegExp, value: string | RegExp, where?: Part): Promise<void> => {
  await waitFor(async () => {
    const now = (await field(label, where)).value
    if (typeof value === 'string' ? now !== value : !value.test(now))
      throw new Error(`${String(label)} holds “${now}”.`)
  })
}
/** Presses something, as a finger or a mouse does. */
async function tap(target: HTMLElement): Promise<void> {
  const focusable = target.closest<HTMLElement>('button, a, input, textarea, [tabindex]')
  for (const type of ['pointerdown', 'mousedown']) target.dispatchEvent(new MouseEvent(type, { bubbles: true }))
  focusable?.focus()
  for (const type of ['pointerup', 'mouseup']) target.dispatchEvent(new MouseEvent(type, { bubbles: true }))
  target.click()
  await nextTick()
}
/** Puts something into a field in place of what it holds. */
export async function fill(label: string | RegExp, text: string, where?: Part): Promise<void> {
  const input = await field(label, where)
  input.focus()
  input.value = text
  for (const type of ['input', 'change']) input.dispatchEvent(new Event(type, { bubbles: true }))
  await nextTick()
}
/** Fills a field and leaves it by Enter. */
export async function enter(label: string | RegExp, text: string, where?: Part): Promise<void> {
  await fill(label, text, where)
  await key('Enter')
}
/** Presses a key where the focus is. */
export async function key(name: string): Promise<void> {
  const at = document.activeElement ?? document.body
  for (const type of ['keydown', 'keyup']) at.dispatchEvent(new KeyboardEvent(type, { key: name, bubbles: true }))
  await nextTick()
}
/** Presses a button or follows a link. */
export async function press(name: string | RegExp, where: Part = document.body, role = 'button'): Promise<void> {
  const [button] = await waitFor(() => within(where).getAllByRole(role, { name: named(name) }))
  await tap(button!)
}
export const follow = (name: string | RegExp, where?: Part): Promise<void> => press(name, where, 'link')
/** Touches what says something: a choice, a checkbox, a fold. */
export async function touch(words: string | RegExp, where: Part = document.body): Promise<void> {
  const [found] = await waitFor(() => within(where).getAllByText(words, { exact: false }))
  await tap(found!)
}
/** Chooses from a list, by typing where it can be searched: what is named, or the first that is offered then. */
export async function pick(
  label: string,
  choice: string,
  { first = false, where = document.body } = {},
): Promise<void> {
  const [box] = await waitFor(() => within(where).getAllByRole<HTMLInputElement>('combobox', { name: label }))
  if (!box) return
  await tap(box)
  const options = () => {
    const list = document.getElementById(box.getAttribute('aria-controls') ?? '') ?? document.body
    return [...list.querySelectorAll<HTMLElement>('[role=option]')]
  }
  const offered = () => options().map(textOf).join(' | ')
  const before = await waitFor(() => {
    if (!offered()) throw new Error(`${label} offers nothing.`)
    return offered()
  })
  /** Typed anew until it is heard: a list that was open before clears what is typed when it has closed. */
  const type = () => {
    if (box.readOnly) return
    box.value = choice
    box.dispatchEvent(new Event('input', { bubbles: true }))
  }
  const words = new RegExp(`(^|[\\s“])${escaped(choice)}(?=$|[\\s,”])`)
  const option = await waitFor(() => {
    const fitting = first ? offered() !== before && options()[0] : options().find((one) => words.test(textOf(one)))
    if (fitting) return fitting
    type()
    throw new Error(`“${choice}” is not among: ${offered().slice(0, 400)}`)
  })
  await tap(option)
}
/** Gives a file to a button that opens one. */
export async function giveFile(label: string, name: string, text: string): Promise<void> {
  const input = await field(label)
  Object.defineProperty(input, 'files', { value: [new File([text], name, { type: 'text/plain' })], configurable: true })
  input.dispatchEvent(new Event('change', { bubbles: true }))
}

/** What was saved as files since the application was opened, as text. */
export const savedFiles = (): Promise<string[]> => Promise.all(saved.map((blob) => blob.text()))
