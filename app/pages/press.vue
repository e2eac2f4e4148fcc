<script setup lang="ts">
import { computed, ref } from 'vue'
import { ElMessage } from 'element-plus'
import { z } from 'zod'
import {
  acidG,
  ACIDS,
  cautionsFor,
  earlierYields,
  formatNumber,
  formatShu,
  InvalidInput,
  LotCodeSchema,
  ofMass,
  otherSolidsG,
  pressBalance,
  PRESS_METHODS,
  propertiesOf,
  separate,
  type AcidId,
  type Composition,
} from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { shortDay } from '~/clock/moments'
import { useDraft } from '~/composables/useDraft'
import { useRecorder } from '~/composables/useRecorder'
import { newLotId, useBook } from '~/stores/book'

const book = useBook()
const route = useRoute()
const router = useRouter()

const candidates = computed(() =>
  book.lots
    .filter((lot) => lot.kind === 'ferment' && lot.packed && (lot.state === 'fermenting' || lot.state === 'in stock'))
    .map((lot) => ({ lot, stand: book.standing(lot) }))
    .sort((a, b) => Number(b.stand?.state === 'ready') - Number(a.stand?.state === 'ready')),
)
const FormSchema = z.object({
  lotId: z.string(),
  method: z.enum(PRESS_METHODS),
  inG: z.number().nullable(),
  baseG: z.number().nullable(),
  pulpG: z.number().nullable(),
  seedsG: z.number().nullable(),
  brineG: z.number().nullable(),
  code: z.string(),
  keepPulp: z.boolean(),
  keepBrine: z.boolean(),
})
type PressForm = z.infer<typeof FormSchema>
const fresh = (): PressForm => ({
  lotId: '',
  method: 'sieve',
  inG: null,
  baseG: null,
  pulpG: 0,
  seedsG: 0,
  brineG: 0,
  code: '',
  keepPulp: false,
  keepBrine: true,
})
const { draft: form, reset, loaded } = useDraft('press', FormSchema, fresh)
const asked = ref(false)
const { busy, record } = useRecorder('The weights are still here; try again.')

/** A lot brings its mass and a code along. */
function choose(id: string) {
  const chosen = book.lot(id)
  form.value = {
    ...fresh(),
    method: form.value.method,
    lotId: id,
    inG: chosen ? Math.round(Math.max(0, chosen.leftG)) : null,
    code: chosen ? `${chosen.code}B` : '',
  }
}
void loaded.then(() => {
  const asksFor = typeof route.query.lot === 'string' ? route.query.lot : ''
  if (asksFor && asksFor !== form.value.lotId) choose(asksFor)
})
const lot = computed(() => candidates.value.find((candidate) => candidate.lot.id === form.value.lotId)?.lot)
const stand = computed(() => lot.value && book.standing(lot.value))

const weights = computed(() => {
  const { inG, baseG, pulpG, seedsG, brineG } = form.value
  return inG === null || baseG === null || pulpG === null || seedsG === null || brineG === null
    ? null
    : { inG, baseG, pulpG, seedsG, brineG }
})
const balance = computed(() => {
  if (!weights.value) return null
  try {
    return { ...pressBalance(weights.value), problem: null }
  } catch (error) {
    if (error instanceof InvalidInput) return { problem: error.message }
    throw error
  }
})
const pressed = computed(() => {
  const composition = lot.value && book.composition(lot.value.id)
  if (!composition || !weights.value || balance.value?.problem !== null) return null
  const { base, pulp, seeds, brine, lost, solidsThrownOut } = separate(composition, form.value.method, weights.value)
  const streams: [string, Composition][] = [
    ['base', base],
    ['pulp', pulp],
    ['seeds', seeds],
    ['brine', brine],
    ['lost', lost],
  ]
  return {
    ...propertiesOf(base),
    solidsThrownOut,
    was: propertiesOf(ofMass(composition, 1000)),
    streams: streams.filter(([, part]) => part.massG >= 0.5),
    wholeHeat: streams.reduce((sum, [, part]) => sum + part.heat.typical, 0),
  }
})
const cautions = computed(() => cautionsFor('press', { hasHotPeppers: (pressed.value?.was.shu.high ?? 0) > 500 }))
const problems = computed(() => {
  const parsed = LotCodeSchema.safeParse(form.value.code)
  const more =
    lot.value && form.value.inG !== null && form.value.inG > lot.value.leftG * 1.1
      ? 'This is more than the lot holds. Check the tare.'
      : null
  return {
    lot: !lot.value
      ? 'Choose the lot to press.'
      : stand.value?.state === 'discard'
        ? 'This one is thrown away, not pressed.'
        : null,
    weights: !weights.value
      ? 'Every weight is needed; write 0 where there was none.'
      : form.value.baseG === 0
        ? 'No base came out: weigh it.'
        : (more ?? balance.value?.problem ?? null),
    code: parsed.success
      ? book.codeTaken(form.value.code)
        ? 'This code is on another lot.'
        : null
      : (parsed.error.issues[0]?.message ?? null),
  }
})
const shown = (problem: string | null) => (asked.value ? problem : null)
/** Weak acid of a part, g; what only binds has no weight here. */
const acidOf = ({ acids }: Composition) =>
  (Object.keys(ACIDS) as AcidId[]).reduce((sum, id) => sum + acidG(id, acids[id] ?? 0), 0)
/** Earlier pressings of the same style, to see whether this one is usual. */
const earlier = computed(() =>
  lot.value?.made.kind === 'plan' ? earlierYields(book.book, lot.value.made.style, lot.value.id).slice(0, 6) : [],
)
const usual = computed(() => {
  const same = earlier.value
    .filter((one) => one.method === form.value.method)
    .map(({ yieldPct }) => yieldPct)
    .sort((a, b) => a - b)
  return same.length ? { low: same[0] ?? 0, high: same.at(-1) ?? 0, count: same.length } : null
})
const METHODS = [
  { value: 'whole', label: 'Keep whole: thick' },
  { value: 'sieve', label: 'Sieve: seeds and skins out' },
  { value: 'cloth', label: 'Cloth: thin' },
  { value: 'drain', label: 'Drain and chop' },
] as const

async function confirm(event: Event) {
  asked.value = true
  if (focusInvalid(event)) return
  const from = lot.value
  if (!from || !weights.value || Object.values(problems.value).some(Boolean)) return
  const pulp =
    form.value.keepPulp && weights.value.pulpG > 0
      ? { pulpLotId: newLotId(), pulpCode: `${form.value.code.trim()}-P`.slice(0, 20) }
      : {}
  const code = form.value.code.trim()
  const { brineG } = weights.value
  const brine =
    brineG > 0
      ? { brineG, ...(form.value.keepBrine && { brineLotId: newLotId(), brineCode: `${code}-K`.slice(0, 20) }) }
      : { brineG }
  const written = await record({
    kind: 'press',
    at: nowMoment(),
    lotId: newLotId(),
    code,
    name: `${from.name} base`.slice(0, 80),
    color: from.color,
    fromLotId: from.id,
    method: form.value.method,
    ...weights.value,
    ...pulp,
    ...brine,
  })
  if (!written) return
  ElMessage.success(`${code} is in stock. Blend it next.`)
  reset()
  await router.push('/blend')
}
const STAND_LEVELS = { ready: 'fine', working: 'ask', ask: 'ask', act: 'act', discard: 'discard' } as const
const candidateOptions = computed(() =>
  candidates.value.map(({ lot: { id, code, name }, stand: its }) => ({
    value: id,
    label: `${code} ${name}${its?.state === 'ready' ? ', ready' : ''}`,
  })),
)
/** Percent of the whole heat that a stream carries away. */
const heatShare = ({ heat }: Composition) => {
  const whole = pressed.value?.wholeHeat ?? 0
  return whole > 0 ? formatNumber((100 * heat.typical) / whole) : 0
}
const yieldWords = computed(() => {
  if (balance.value?.problem !== null || !usual.value) return ''
  if (balance.value.yieldPct < usual.value.low - 5) return 'Less than usual'
  return balance.value.yieldPct > usual.value.high + 5 ? 'More than usual' : 'As usual'
})
</script>

<template>
  <div class="page">
    <header>
      <h1>Press</h1>
      <p>Strain before any vinegar goes in, if you want it thick. Never throw brine away.</p>
    </header>
    <p v-if="candidates.length === 0" class="sheet">
      No ferment to press. <NuxtLink to="/plan">Pack one</NuxtLink> first; when its pH stands at target it waits here.
    </p>
    <div v-else class="split">
      <form class="stack" novalidate @submit.prevent="confirm">
        <section class="sheet">
          <PickField
            :model-value="form.lotId"
            label="Lot to press"
            :options="candidateOptions"
            :problem="shown(problems.lot)"
            @update:model-value="choose"
          />
          <p v-if="stand">
            <StateMark :level="STAND_LEVELS[stand.state]" :word="stand.state === 'ready' ? 'Ready' : 'Not ready yet'" />
            {{ stand.sentence }}
          </p>
        </section>
        <section class="sheet">
          <h2>Weights</h2>
          <el-radio-group v-model="form.method" aria-label="How it is pressed"
            ><el-radio-button v-for="one in METHODS" :key="one.value" :value="one.value">{{
              one.label
            }}</el-radio-button></el-radio-group
          >
          <div class="fields weights">
            <QuantityField v-model="form.inG" kind="mass" label="Went in" :limits="{ low: 1 }" />
            <QuantityField v-model="form.baseG" kind="mass" label="Base came out" />
            <QuantityField v-model="form.pulpG" kind="mass" label="Pulp left" />
            <QuantityField v-model="form.seedsG" kind="mass" label="Seeds, if apart" />
            <QuantityField
              v-model="form.brineG"
              kind="mass"
              :label="form.method === 'drain' ? 'Liquid let off' : 'Brine kept apart'"
            />
          </div>
          <p v-if="balance?.problem" class="problem" role="alert">{{ balance.problem }}</p>
          <p v-else-if="shown(problems.weights)" class="problem" role="alert">{{ problems.weights }}</p>
          <div class="fields">
            <WordField v-model="form.code" label="Code of the base" :problem="shown(problems.code)" />
            <div>
              <span class="field-label">Pulp</span
              ><el-checkbox v-model="form.keepPulp">Keep it as a lot of its own</el-checkbox>
            </div>
            <div v-if="(form.brineG ?? 0) > 0">
              <span class="field-label">Brine</span
              ><el-checkbox v-model="form.keepBrine">Keep the brine as a lot: it thins, starts, seasons</el-checkbox>
            </div>
          </div>
        </section>
        <CautionList :cautions="cautions" />
        <div><el-button type="primary" native-type="submit" :loading="busy">Record the press</el-button></div>
      </form>
      <aside class="sheet" aria-label="What came out" aria-live="polite">
        <h2>What came out</h2>
        <template v-if="balance && balance.problem === null">
          <p>
            <span class="figure" data-figure="yield">{{ formatNumber(balance.yieldPct, 1) }} %</span> yield
          </p>
          <p>
            <StateMark
              :level="balance.missingPct > 5 ? 'ask' : 'fine'"
              :word="`${formatNumber(balance.missingG)} g missing`"
            />
            {{ balance.sentence }}
          </p>
        </template>
        <p v-else class="muted">Weigh base and pulp, and the balance stands here.</p>
        <table v-if="pressed" class="plain">
          <tbody>
            <tr>
              <td>pH</td>
              <td class="number">{{ pressed.pH?.toFixed(2) ?? '–' }}</td>
            </tr>
            <tr>
              <td>Salt</td>
              <td class="number">{{ formatNumber(pressed.saltPct, 2) }} %</td>
            </tr>
            <tr>
              <td>Heat, was {{ formatShu(pressed.was.shu) }}</td>
              <td class="number">{{ formatShu(pressed.shu) }}</td>
            </tr>
            <tr>
              <td>Solids</td>
              <td class="number">{{ formatNumber(pressed.bodyPct, 1) }} %</td>
            </tr>
            <tr>
              <td>Skins and seeds thrown out</td>
              <td class="number">
                {{ formatNumber(100 * pressed.solidsThrownOut.low) }}–{{
                  formatNumber(100 * pressed.solidsThrownOut.high)
                }}
                %
              </td>
            </tr>
          </tbody>
        </table>
        <div v-if="pressed" class="sideways">
          <table class="plain small">
            <thead>
              <tr>
                <th>Goes with</th>
                <th class="number">weight</th>
                <th class="number">salt</th>
                <th class="number">acid</th>
                <th class="number">solids</th>
                <th class="number">heat</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="[name, part] in pressed.streams" :key="name" :data-stream="name">
                <td>{{ name }}</td>
                <td class="number">{{ formatNumber(part.massG) }} g</td>
                <td class="number">{{ formatNumber(part.saltG, 1) }} g</td>
                <td class="number">{{ formatNumber(acidOf(part), 1) }} g</td>
                <td class="number">{{ formatNumber(otherSolidsG(part), 1) }} g</td>
                <td class="number">{{ heatShare(part) }} %</td>
              </tr>
            </tbody>
          </table>
        </div>
        <p v-if="pressed" class="muted small">
          Heat stays mostly with the solids; the share thrown out follows from the pulp’s weight and how dry this way of
          pressing leaves it (judgement). What is lost is taken to be like the base.
        </p>
        <template v-if="earlier.length"
          ><h3>Earlier of this style</h3>
          <p v-if="usual && balance?.problem === null" data-figure="usual">
            <StateMark
              :level="balance.yieldPct < usual.low - 5 || balance.yieldPct > usual.high + 5 ? 'ask' : 'fine'"
              :word="yieldWords"
            />
            {{ formatNumber(usual.low) }}–{{ formatNumber(usual.high) }} % in {{ usual.count }} before, pressed the same
            way.
          </p>
          <ul class="plain-list small">
            <li v-for="one in earlier" :key="one.lotId">
              <span class="code">{{ one.code }}</span> {{ formatNumber(one.yieldPct, 1) }} %
              <span class="muted">{{ one.method }}, {{ shortDay(one.atMs) }}</span>
            </li>
          </ul></template
        >
      </aside>
    </div>
  </div>
</template>

<style scoped>
.weights {
  grid-template-columns: repeat(auto-fill, minmax(128px, 1fr));
}
</style>
