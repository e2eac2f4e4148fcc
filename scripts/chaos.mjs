// npm run chaos -- [runs] [actions] [seed]: see scripts/chaosRun.mjs. Run `npx nuxt build` first.
import { Chaos, DISASTERS } from './chaosRun.mjs'

const [runs = 20, actions = 200, from = 1] = process.argv.slice(2).map(Number)
const findings = []
let [confirmed, kills] = [0, 0]
for (let run = 0; run < runs; run++) {
  const started = Date.now()
  const chaos = await Chaos.begin(4300 + run, from + run, (problem) => console.log(`   ${problem}`))
  await chaos.run(actions)
  for (const what of Object.keys(DISASTERS)) await chaos.disaster(what)
  await chaos.end()
  findings.push(...chaos.findings)
  confirmed += chaos.confirmed.length
  kills += chaos.kills
  const seconds = Math.round((Date.now() - started) / 1000)
  console.log(
    `run ${run + 1}: ${chaos.confirmed.length} confirmed, ${chaos.kills} kills, ${chaos.findings.length} findings, ${seconds} s`,
  )
}
console.log(`${runs} runs, ${confirmed} confirmed entries, ${kills} kills: ${findings.length} findings`)
process.exit(findings.length ? 1 : 0)
