<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { ElMessage } from 'element-plus'
import {
  COLD_C,
  formatMass,
  inVessels,
  isByTaste,
  NOT_MEASURED,
  LotCodeSchema,
  readTemperatures,
  type Draft,
  type Lot,
  type Standing,
} from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { momentAfterDays } from '~/clock/moments'
import { useThings } from '~/composables/useThings'
import { useRecorder } from '~/composables/useRecorder'
import { useStops } from '~/composables/useStops'
import { newLotId, useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/** One decision with what it needs to be told: place and temperature, days, a reason, an amount, pictures. */
type Deciding = 'cold' | 'warm' | 'wait' | 'ready' | 'brine' | 'discard'
const { lot, stand } = defineProps<{ lot: Lot; stand: Standing | null }>()
const what = defineModel<Deciding | null>({ required: true })
const book = useBook()
const { thingOf } = useThings()
const preferences = usePreferences()
const stops = useStops()
const { busy, record } = useRecorder()
const place = ref('')
const tempC = ref<number | null>(null)
const days = ref(3)
const reason = ref('')
const massG = ref<number | null>(null)
const code = ref('')
const marks = ref<string[]>([])
const photos = ref<string[]>([])
/** A picture is still being reduced: nothing is kept without it. */
const reducing = ref(false)
const asked = ref(false)
watch(what, (now) => {
  if (!now) return
  const places = book.fermenting.filter((other) => other.id !== lot.id && other.place !== lot.place)
  const coldest = places
    .map((other) => ({ place: other.place, tempC: readTemperatures(other).at(-1)?.tempC ?? 20 }))
    .filter((found) => (now === 'cold') === found.tempC <= COLD_C)
    .at(0)
  place.value =
    now === 'cold'
      ? (coldest?.place ?? 'Cold store')
      : now === 'warm'
        ? (coldest?.place ?? lot.packed?.place ?? 'Bench')
        : ''
  tempC.value = now === 'cold' ? 4 : now === 'warm' ? 20 : null
  reason.value = ''
  massG.value = null
  code.value = `${lot.code.slice(0, 18)}K`
  marks.value = lot.vessels.map(({ mark }) => mark)
  photos.value = []
  asked.value = false
})
const TITLES: Record<Deciding, string> = {
  cold: 'to the cold',
  warm: 'back to the warm',
  wait: 'more time',
  ready: 'ready',
  brine: 'keep some brine',
  discard: 'discard',
}
const KEEP = {
  cold: 'Move it',
  warm: 'Move it',
  wait: 'Give it more time',
  ready: 'Call it ready',
  brine: 'Keep the brine',
  discard: 'Discard it',
} as const
/** Called ready against its readings wants a reason. */
const against = computed(() => what.value === 'ready' && stand?.state !== 'ready' && !byTaste.value)
/** Likely under by eye and tongue, with no pH that tells: what is called ready then is marked "not measured". */
const byTaste = computed(() => stand?.reasons.find(isByTaste) ?? null)
const likely = computed(() => {
  const facts = byTaste.value?.facts
  return facts && 'chance' in facts && facts.chance !== null ? facts.chance : undefined
})
const codeProblem = computed(
  () =>
    LotCodeSchema.safeParse(code.value).error?.issues[0]?.message ??
    (book.codeTaken(code.value) ? 'This code is on another lot. Choose a new one.' : null),
)
const problem = computed(() => {
  switch (what.value) {
    case 'cold':
    case 'warm':
      return !place.value.trim()
        ? 'Say where it stands from now on.'
        : tempC.value === null
          ? 'Say how warm it is there.'
          : what.value === 'cold' && tempC.value > COLD_C
            ? `Over ${COLD_C} °C it goes on working: that is not the cold.`
            : ''
    case 'ready':
      return against.value && !reason.value.trim() ? 'Its readings do not say so. Say why you do.' : ''
    case 'brine':
      return stops(lot.id)
        ? `It stops here. ${stops(lot.id)}`
        : massG.value === null || massG.value < 1
          ? 'Weigh what you draw off.'
          : massG.value > lot.leftG * 0.6
            ? `That is more than the brine of ${formatMass(lot.leftG, preferences.world)}. Pieces must stay covered.`
            : (codeProblem.value ?? '')
    case 'discard':
      return !reason.value.trim()
        ? 'Say why: the next batch learns from it.'
        : marks.value.length === 0
          ? 'Choose the vessels that are thrown away.'
          : ''
    default:
      return ''
  }
})
const held = computed(() => inVessels(lot))
const thrownG = computed(() =>
  held.value.filter(({ mark }) => marks.value.includes(mark)).reduce((sum, vessel) => sum + vessel.massG, 0),
)
const draft = computed((): Draft | null => {
  const at = nowMoment()
  const base = { at, lotId: lot.id }
  switch (what.value) {
    case 'cold':
    case 'warm':
      return {
        ...base,
        kind: 'decide',
        decision: what.value,
        place: place.value.trim(),
        tempC: tempC.value ?? 20,
        reason: reason.value.trim(),
      }
    case 'wait':
      return {
        ...base,
        kind: 'decide',
        decision: 'wait',
        until: momentAfterDays(days.value),
        reason: reason.value.trim(),
      }
    case 'ready':
      return {
        ...base,
        kind: 'decide',
        decision: 'ready',
        reason: reason.value.trim(),
        ...(likely.value !== undefined && { likely: likely.value }),
      }
    case 'brine':
      return {
        kind: 'press',
        at,
        lotId: newLotId(),
        code: code.value.trim(),
        name: `${lot.name}, brine`.slice(0, 80),
        color: '#cdbd84',
        fromLotId: lot.id,
        method: 'draw',
        inG: massG.value ?? 0,
        baseG: massG.value ?? 0,
        pulpG: 0,
        seedsG: 0,
      }
    case 'discard':
      return {
        ...base,
        kind: 'discard',
        reason: reason.value.trim(),
        massG: Math.round(thrownG.value),
        ...(marks.value.length < lot.vessels.length && { marks: [...marks.value] }),
        ...(photos.value.length > 0 && { photos: [...photos.value] }),
      }
    default:
      return null
  }
})
async function decide(event: Event) {
  asked.value = true
  if (focusInvalid(event) || problem.value || !draft.value || !(await record(draft.value))) return
  ElMessage.success(
    what.value === 'brine' ? `${code.value} is in stock.` : what.value === 'discard' ? 'Discarded.' : 'Recorded.',
  )
  what.value = null
}
const WAITS = [1, 2, 3, 5, 7, 14, 30].map((value) => ({ value, label: value === 1 ? 'a day' : `${value} days` }))
const EXAMPLES: Partial<Record<Deciding, string>> = { discard: 'Green fuzzy growth on day 8', wait: 'Rounder, please' }
const example = computed(() => (what.value ? (EXAMPLES[what.value] ?? '') : ''))
</script>

<template>
  <el-dialog
    :model-value="what !== null"
    :title="what ? `${lot.code} ${lot.name}: ${TITLES[what]}` : ''"
    width="min(94vw, 500px)"
    @update:model-value="what = null"
  >
    <form v-if="what" class="stack" novalidate @submit.prevent="decide">
      <template v-if="what === 'cold' || what === 'warm'">
        <p v-if="what === 'cold' && stand?.clock" class="small">
          <StateMark level="act" word="Above 4.6" /> Cooling is not a rescue: a batch above 4.6 must still pass it in
          its time.
        </p>
        <WordField v-model="place" label="Place" />
        <QuantityField v-model="tempC" kind="temperature" label="It is there" :limits="{ low: -2, high: 40 }" />
      </template>
      <template v-else-if="what === 'wait'"
        ><PickField v-model="days" label="Look again in" :options="WAITS"
      /></template>
      <div v-else-if="what === 'ready' && stand && byTaste" class="stack">
        <p><StateMark level="ask" word="By taste, not measured" /> {{ ' ' }}<SaidText :text="stand.sentence" /></p>
        <p class="small">{{ NOT_MEASURED }}</p>
      </div>
      <p v-else-if="what === 'ready' && stand">
        <StateMark :level="against ? 'ask' : 'fine'" :word="against ? 'Not by its readings' : 'Ready'" />
        {{ ' ' }}<SaidText :text="stand.sentence" />
      </p>
      <template v-else-if="what === 'brine'">
        <p class="small muted">
          Brine thins a sauce, starts the next batch, seasons food. It becomes a lot of its own; the rest goes on.
        </p>
        <QuantityField
          v-model="massG"
          kind="mass"
          label="Drawn off"
          :thing="thingOf({ materialId: 'water', name: 'Brine' })"
        />
        <WordField v-model="code" label="Code of the brine" :problem="asked ? codeProblem : null" />
      </template>
      <template v-else-if="what === 'discard'">
        <p>Do not taste it. What is thrown away leaves the shelf; its log stays.</p>
        <el-checkbox-group v-if="lot.vessels.length > 1" v-model="marks" aria-label="Vessels thrown away"
          ><el-checkbox v-for="vessel in held" :key="vessel.mark" :value="vessel.mark"
            >{{ lot.code }}{{ vessel.mark }}, {{ formatMass(vessel.massG, preferences.world) }}</el-checkbox
          ></el-checkbox-group
        >
        <p class="small">{{ formatMass(thrownG, preferences.world) }} are thrown away.</p>
      </template>
      <WordField v-if="what !== 'brine'" v-model="reason" label="Why" :placeholder="example" />
      <PhotoField v-if="what === 'discard'" v-model="photos" v-model:busy="reducing" />
      <p v-if="asked && problem" class="problem" role="alert">{{ problem }}</p>
      <div class="row">
        <el-button :type="what === 'discard' ? 'danger' : 'primary'" native-type="submit" :loading="busy || reducing">{{
          KEEP[what]
        }}</el-button><el-button @click="what = null">Leave it</el-button>
      </div>
    </form>
  </el-dialog>
</template>
