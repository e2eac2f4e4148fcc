<script setup lang="ts">
import { computed, ref } from 'vue'
import { say } from '~/composables/say'
import { cautionsFor, earlierYields, unreadPhOf, type Composition, type Draft } from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { codeProblem } from '~/forms/problems'
import {
  balanceOf,
  freshPress,
  pressedOf,
  PressFormSchema,
  type PressForm,
  thinDrafts,
  weightsOf,
  weightsProblem,
} from '~/forms/pressForm'
import { useThings } from '~/composables/useThings'
import { useForm, type Problems } from '~/composables/useForm'
import { useStops } from '~/composables/useStops'
import { newLotId, useBook } from '~/stores/book'

const book = useBook()
const { thingOf } = useThings()
const route = useRoute()
const router = useRouter()
const stops = useStops()

const candidates = computed(() =>
  book.lots
    .filter((lot) => lot.kind === 'ferment' && lot.packed && (lot.state === 'fermenting' || lot.state === 'in stock'))
    .map((lot) => ({ lot, stand: book.stands.get(lot.id) }))
    .sort((a, b) => Number(b.stand?.state === 'ready') - Number(a.stand?.state === 'ready')),
)
const { form, shown, busy, loaded, confirm, reset } = useForm({
  fresh: freshPress,
  keep: { key: 'press', schema: PressFormSchema },
  problems: (): Problems<'lot' | 'jars' | 'weights' | 'code'> => ({
    lot: !lot.value ? 'Choose the lot to press.' : stops(lot.value.id) ? `It stops here. ${stops(lot.value.id)}` : null,
    jars:
      jars.value.length > 0 && form.value.marks.length === 0
        ? 'Mark the jars that go in; only those that were read.'
        : null,
    weights: weightsProblem(form.value, lot.value?.leftG ?? Infinity, balance.value?.problem ?? null),
    code: codeProblem(form.value.code, book.codeTaken),
  }),
  kept: 'The weights are still here; try again.',
})

/** A lot brings its mass and a code along. @param typed what stays as it was typed. */
function choose(id: string, typed: Partial<PressForm> = {}) {
  const chosen = book.lot(id)
  form.value = {
    ...freshPress(),
    method: form.value.method,
    lotId: id,
    inG: chosen ? Math.round(Math.max(0, chosen.leftG)) : null,
    marks: chosen ? (book.judgementOf(chosen)?.jars ?? []).flatMap(({ mark, read }) => (read ? [mark] : [])) : [],
    code: chosen ? `${chosen.code}B` : '',
    ...typed,
  }
}
void loaded.then((typed) => {
  const asksFor = typeof route.query.lot === 'string' ? route.query.lot : ''
  if (asksFor && asksFor !== form.value.lotId) choose(asksFor, typed)
})
const lot = computed(() => candidates.value.find((candidate) => candidate.lot.id === form.value.lotId)?.lot)
const thing = computed(() => (lot.value ? thingOf({ lotId: lot.value.id, name: lot.value.name }) : undefined))
const stand = computed(() => lot.value && book.judgementOf(lot.value))

/** Its jars, where there are several: only those that were read may be pressed. */
const jars = computed(() => stand.value?.jars ?? [])
const weights = computed(() => weightsOf(form.value))
const balance = computed(() => weights.value && balanceOf(weights.value))
const pressed = computed(() => {
  const composition = lot.value && book.composition(lot.value.id)
  if (!composition || !weights.value || balance.value?.problem !== null) return null
  return pressedOf(composition, form.value.method, weights.value, form.value.cameOut || undefined)
})
/** Nobody read a pH in it: then the press shows none. */
const unread = computed(() => lot.value !== undefined && unreadPhOf(book.book, lot.value.id) !== null)
/** What goes in by the spoon, once it is said. */
const thinning = ref<{ id: string; composition: Composition } | null>(null)
const cautions = computed(() => cautionsFor('press', { hasHotPeppers: (pressed.value?.was.shu.high ?? 0) > 500 }))
/** Earlier pressings of the same style, to see whether this one is usual. */
const earlier = computed(() =>
  lot.value?.made.kind === 'plan' ? earlierYields(book.book, lot.value.made.style, lot.value.id).slice(0, 6) : [],
)
const METHODS = [
  { value: 'whole', label: 'Keep whole' },
  { value: 'scrape', label: 'Blend, scrape through a sieve' },
  { value: 'sieve', label: 'Sieve, let it drip' },
  { value: 'cloth', label: 'Cloth' },
  { value: 'drain', label: 'Drain and chop' },
] as const
const CAME_OUT_LABELS = [
  { value: '', label: 'Not said' },
  { value: 'pours', label: 'Pours' },
  { value: 'thick', label: 'Thick' },
  { value: 'sticks', label: 'Sticks to the spoon' },
] as const

/** The press itself, the lots that come of it, and what was put into the base. */
function drafts(): Draft[] | null {
  const from = lot.value
  if (!from || !weights.value) return null
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
  const lotId = newLotId()
  const press: Draft & { kind: 'press' } = {
    kind: 'press',
    at: nowMoment(),
    lotId,
    code,
    name: `${from.name} base`.slice(0, 80),
    color: from.color,
    fromLotId: from.id,
    method: form.value.method,
    ...(jars.value.length > 0 && { marks: [...form.value.marks] }),
    ...(form.value.cameOut && { cameOut: form.value.cameOut }),
    ...weights.value,
    ...pulp,
    ...brine,
  }
  return [press, ...thinDrafts(form.value, thinning.value, press, book.book.library)]
}
async function keep(event: Event) {
  if (!(await confirm(event, drafts))) return
  say.done(`${form.value.code.trim()} is in stock. Blend it next.`)
  reset()
  await router.push('/blend')
}
const candidateOptions = computed(() =>
  candidates.value.map(({ lot: { id, code, name }, stand: its }) => ({
    value: id,
    label: `${code} ${name}${its?.state === 'ready' ? ', ready' : ''}`,
  })),
)
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
      <form class="stack" novalidate @submit.prevent="keep">
        <section class="sheet">
          <PickField
            :model-value="form.lotId"
            label="Lot to press"
            :options="candidateOptions"
            :problem="shown.lot"
            @update:model-value="choose"
          />
          <StandLine v-if="stand" :judgement="stand" />
          <fieldset v-if="jars.length" class="jars">
            <legend>Jars that go in</legend>
            <el-checkbox-group v-model="form.marks">
              <el-checkbox v-for="jar in jars" :key="jar.mark" :value="jar.mark" :disabled="!jar.read">
                Jar {{ jar.mark }}{{ jar.read ? '' : ', not read' }}
              </el-checkbox>
            </el-checkbox-group>
            <p v-if="shown.jars" class="problem" role="alert">{{ shown.jars }}</p>
          </fieldset>
        </section>
        <InTurn
          ><section class="sheet">
            <h2>Weights</h2>
            <TapField
              :model-value="form.method"
              label="How it is pressed"
              hide-label
              :options="METHODS"
              @update:model-value="(method) => method && (form.method = method)"
            />
            <div class="fields weights">
              <QuantityField v-model="form.inG" kind="mass" label="Went in" :limits="{ low: 1 }" :thing="thing" />
              <QuantityField v-model="form.baseG" kind="mass" label="Base came out" :thing="thing" />
              <QuantityField v-model="form.pulpG" kind="mass" label="Pulp left" />
              <QuantityField v-model="form.seedsG" kind="mass" label="Seeds, if apart" />
              <QuantityField
                v-model="form.brineG"
                kind="mass"
                :label="form.method === 'drain' ? 'Liquid let off' : 'Brine kept apart'"
                :thing="thing"
              />
              <template v-if="form.method === 'drain'">
                <QuantityField v-model="form.spiltG" kind="mass" label="Ran over" :thing="thing" />
                <QuantityField v-model="form.boardG" kind="mass" label="Left on the board" :thing="thing" />
              </template>
            </div>
            <TapField v-model="form.cameOut" label="How the base came out" :options="CAME_OUT_LABELS" />
            <p v-if="balance?.problem" class="problem" role="alert">{{ balance.problem }}</p>
            <p v-else-if="shown.weights" class="problem" role="alert">{{ shown.weights }}</p>
            <div class="fields">
              <WordField v-model="form.code" label="Code of the base" :problem="shown.code" />
              <div>
                <span class="field-label">Pulp</span
                ><el-checkbox v-model="form.keepPulp">Keep it as a lot of its own</el-checkbox>
              </div>
              <div v-if="(form.brineG ?? 0) > 0">
                <span class="field-label">Brine</span
                ><el-checkbox v-model="form.keepBrine">Keep the brine as a lot: it thins, starts, seasons</el-checkbox>
              </div>
            </div>
          </section></InTurn
        >
        <ThinBySpoon
          v-if="pressed"
          v-model:with="form.thinWith"
          v-model:spoons="form.thinSpoons"
          :base="pressed.base"
          :own="form.keepBrine && pressed.brine.massG > 0 ? pressed.brine : null"
          :unread="unread"
          :came-out="form.cameOut || undefined"
          @liquid="(liquid) => (thinning = liquid)"
        />
        <CautionList :cautions="cautions" />
        <div><el-button type="primary" native-type="submit" :loading="busy">Record the press</el-button></div>
      </form>
      <div class="stack">
        <PressOutcome :balance="balance" :pressed="pressed" :earlier="earlier" :method="form.method" :unread="unread" />
      </div>
    </div>
  </div>
</template>

<style scoped>
.jars {
  border: 1px solid var(--line);
  border-radius: var(--radius);
  margin: 0;
  padding: var(--s1) var(--s3) var(--s2);
}
.weights {
  grid-template-columns: repeat(auto-fill, minmax(128px, 1fr));
}
</style>
