// Licences of every package that ships, into docs/licences.md, and known advisories, where a registry answers.
// `--check` (CI): the page is as it would be written, every licence is one we may ship, every advisory has its reason.
import { spawnSync } from 'node:child_process'
import { readFileSync, writeFileSync } from 'node:fs'

const PAGE = 'docs/licences.md'
/** Licences under which a package may ship with an application under MIT. */
const ALLOWED = new Set([
  ...['MIT', 'ISC', 'Apache-2.0', 'BSD-2-Clause', 'BSD-3-Clause', '0BSD', 'MIT-0', 'Zlib', 'OFL-1.1', 'Unlicense'],
  ...['CC0-1.0', 'CC-BY-4.0', 'BlueOak-1.0.0', 'Python-2.0', 'Artistic-2.0', 'MPL-2.0'],
])
/** From these on an advisory without a reason stops CI; others are told. */
const SERIOUS = new Set(['high', 'critical'])
/** Advisories that do not touch us: their number and why. */
const ACCEPTED = JSON.parse(readFileSync('scripts/advisories.json', 'utf8'))

const { packages } = JSON.parse(readFileSync('package-lock.json', 'utf8'))
const shipped = Object.entries(packages)
  .filter(([path, { dev, devOptional, link }]) => path.includes('node_modules/') && !dev && !devOptional && !link)
  .map(([path, { version, license }]) => ({
    name: path.split('node_modules/').pop(),
    version,
    license: license ?? 'none',
  }))
  .sort((a, b) => (a.name < b.name ? -1 : a.name > b.name ? 1 : 0))

/** Whether an expression ("(MIT OR Apache-2.0)") can be met by what is allowed. */
const allows = (license) =>
  license
    .replace(/[()]/g, '')
    .split(' OR ')
    .some((choice) => choice.split(' AND ').every((one) => ALLOWED.has(one.trim())))

const once = [...new Map(shipped.map((one) => [`${one.name} ${one.version}`, one])).values()]
const byLicence = new Map()
for (const one of once) byLicence.set(one.license, [...(byLicence.get(one.license) ?? []), one])
const page = `# Licences

What ships with Lactofer or is needed to build it, without what only tests it; written by \`npm run licences\` from the lock file.

${[...byLicence]
  .sort(([a], [b]) => (a < b ? -1 : 1))
  .map(
    ([license, of]) =>
      `## ${license} (${of.length})\n\n${of.map(({ name, version }) => `${name} ${version}`).join(', ')}`,
  )
  .join('\n\n')}
`
const problems = once
  .filter(({ license }) => !allows(license))
  .map(({ name, license }) => `${name}: ${license} is not a licence we ship`)
if (!process.argv.includes('--check')) writeFileSync(PAGE, page)
else if (readFileSync(PAGE, 'utf8') !== page) problems.push(`${PAGE} is out of date: npm run licences`)

const { stdout } = spawnSync('npm', ['audit', '--json', '--omit=dev'], { encoding: 'utf8', timeout: 60_000 })
const audit = (() => {
  try {
    return JSON.parse(stdout)
  } catch {
    return {}
  }
})()
if (!audit.vulnerabilities) console.log('No registry answered: advisories were not checked.')
else {
  const known = new Map(
    Object.values(audit.vulnerabilities)
      .flatMap(({ via }) => via)
      .filter((via) => typeof via === 'object')
      .map((via) => [via.url?.split('/').pop() ?? String(via.source), via]),
  )
  for (const [id, { name, title, severity }] of known)
    if (!ACCEPTED[id] && SERIOUS.has(severity)) problems.push(`${id}, ${severity}: ${name}, ${title}`)
    else if (!ACCEPTED[id]) console.log(`${id}, ${severity}: ${name}, ${title}`)
  for (const id of Object.keys(ACCEPTED))
    if (!known.has(id)) console.log(`${id} is accepted in scripts/advisories.json and no longer reported.`)
  console.log(`${known.size} advisories known, ${Object.keys(ACCEPTED).length} accepted with a reason.`)
}
for (const problem of problems) console.error(problem)
console.log(`${once.length} packages, ${problems.length} problems`)
process.exit(problems.length ? 1 : 0)
