// What the test runners wrote down, as tables.
import { existsSync, readFileSync, rmSync } from 'node:fs'

/** Where Vitest and Playwright write their results. */
export const REPORTS = {
  vitest: 'node_modules/.cache/lactofer/vitest.json',
  playwright: 'node_modules/.cache/lactofer/playwright.json',
}
/** Half over its budget is worth a warning. */
const WARN_AT = 1.5

const SLOWEST = 10

/** Forgets what an earlier run wrote down. */
export const forgetReports = () => Object.values(REPORTS).forEach((file) => rmSync(file, { force: true }))
const read = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null)

const vitestTests = () =>
  (read(REPORTS.vitest)?.testResults ?? []).flatMap(({ name: file, assertionResults }) =>
    assertionResults
      .filter(({ status }) => status === 'passed' || status === 'failed')
      .map(({ title, duration, status }) => ({
        ...{ title, ok: status === 'passed', seconds: (duration ?? 0) / 1000 },
        kind: file.includes('/tests/component/') ? 'component' : 'unit',
      })),
  )
const specsOf = ({ specs = [], suites = [] }) => [...specs, ...suites.flatMap(specsOf)]
const playwrightTests = () =>
  (read(REPORTS.playwright)?.suites ?? []).flatMap(specsOf).map(({ title, ok, tests }) => ({
    ...{ title, ok, kind: 'browser' },
    seconds: tests.flatMap(({ results }) => results).reduce((sum, { duration }) => sum + duration, 0) / 1000,
  }))

/** All tests that ran, by kind: unit, component, browser. Seconds each. */
export function testsOf() {
  const all = [...vitestTests(), ...playwrightTests()]
  return Object.fromEntries(
    ['unit', 'component', 'browser'].map((kind) => [kind, all.filter((test) => test.kind === kind)]),
  )
}

/** Stages with their seconds beside their budgets, and a warning for each that is far over. */
export function reportOf(stages) {
  const width = Math.max(...stages.map(({ name }) => name.length))
  const line = (...cells) => cells.map((cell, at) => (at ? String(cell).padStart(8) : cell.padEnd(width))).join('')
  const over = stages.filter(({ seconds, budget }) => seconds > WARN_AT * budget)
  return [
    line('Stage', 's', 'budget'),
    ...stages.map(({ name, seconds, budget }) => line(name, seconds, budget)),
    ...over.map(
      ({ name, seconds, budget }) =>
        `Warning: ${name} took ${seconds} s, more than half over its budget of ${budget} s.`,
    ),
  ].join('\n')
}

/** The slowest tests of a kind, seconds. */
export function slowestOf(kind, tests) {
  const slowest = [...tests].sort((a, b) => b.seconds - a.seconds).slice(0, SLOWEST)
  return [
    `Slowest ${kind} tests (${tests.length} in all), s`,
    ...slowest.map(({ title, seconds }) => `${seconds.toFixed(1).padStart(6)}  ${title.slice(0, 110)}`),
  ].join('\n')
}
