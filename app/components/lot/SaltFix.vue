<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { ElMessage } from 'element-plus'
import {
  contentComposition,
  formatNumber,
  InvalidInput,
  LEAST_SALT_PCT,
  mix,
  momentOf,
  propertiesOf,
  saltRemedies,
  spoonedG,
  styleById,
  TEASPOONS_PER_TABLESPOON,
  type Draft,
  type Lot,
  type Remedy,
} from '@lactofer/core'
import { nowMoment, nowMs } from '~/clock/clock'
import { HOW, putOf, SPOONS } from './saltRemedy'
import { useRecorder } from '~/composables/useRecorder'
import { useBook } from '~/stores/book'

/** "I salted it wrong": what is known of it, what it should be, what to put in, how much, whether it still fits. */
const { lot } = defineProps<{ lot: Lot }>()
const open = defineModel<boolean>({ required: true })
const book = useBook()
const { busy, record } = useRecorder()
const how = ref<(typeof HOW)[number]['value']>('measured')
const measuredPct = ref<number | null>(null)
const grams = ref<number | null>(null)
const spoons = ref<number | null>(null)
const spoon = ref<'tsp' | 'tbsp'>('tbsp')
const saltId = ref('fine-sea')
const brinePct = ref<number | null>(10)

const plan = computed(() => (lot.made.kind === 'plan' ? lot.made : null))
const composition = computed(() => book.composition(lot.id))
const now = computed(() => (composition.value ? propertiesOf(composition.value) : null))
const plannedPct = computed(() => {
  if (!plan.value) return null
  const meant = contentComposition(book.book, plan.value)
  return meant && Number(propertiesOf(meant).saltPct.toFixed(2))
})
const targetPct = ref<number | null>(null)
const target = computed(() => targetPct.value ?? plannedPct.value)
/** What was planned is where remembering starts. */
watch(open, (now) => {
  if (now && plan.value) [saltId.value, grams.value] = [plan.value.saltId, (lot.weighed ?? plan.value).saltG]
})

/** Salt that went in, as remembered. */
const remembered = computed<{ saltG: number | null; problem: string | null }>(() => {
  try {
    if (how.value === 'grams') return { saltG: grams.value, problem: null }
    if (how.value === 'spoons')
      return {
        saltG:
          spoons.value === null
            ? null
            : spoonedG(
                spoons.value * (spoon.value === 'tbsp' ? TEASPOONS_PER_TABLESPOON : 1),
                saltId.value,
                book.library.salts,
              ).typical,
        problem: null,
      }
    return { saltG: null, problem: null }
  } catch (error) {
    if (error instanceof InvalidInput) return { saltG: null, problem: error.message }
    throw error
  }
})
const content = computed(() => plan.value && (lot.weighed ?? plan.value))
/**
 * The batch as it would be with the salt that is remembered, later additions included; as the log has it where the
 * salt was measured.
 */
const batch = computed(() => {
  if (how.value === 'measured') return composition.value
  const { saltG } = remembered.value
  if (!content.value || saltG === null) return null
  const parts = [{ ...content.value, saltG }, ...lot.added].map((part) => contentComposition(book.book, part))
  return parts.some((part) => part === null) ? null : mix(parts.filter((part) => part !== null))
})
const isPct = computed(() =>
  how.value === 'measured' ? measuredPct.value : batch.value && propertiesOf(batch.value).saltPct,
)
const capacityMl = computed(
  () =>
    (lot.packed?.vessels ?? []).reduce(
      (sum, vessel) => sum + (book.library.vessel(vessel.vesselId)?.capacityMl ?? 0),
      0,
    ) || null,
)
const found = computed<{ remedies: Remedy[]; problem: string | null } | null>(() => {
  if (
    isPct.value === null ||
    target.value === null ||
    !batch.value ||
    !now.value ||
    !plan.value ||
    brinePct.value === null
  )
    return null
  try {
    return {
      problem: null,
      remedies: saltRemedies({
        massG: batch.value.massG,
        saltPct: isPct.value,
        targetPct: target.value,
        densityGPerMl: now.value.densityGPerMl,
        capacityMl: capacityMl.value,
        fillLimit: styleById(plan.value.style).fillLimit,
        brinePct: brinePct.value,
      }),
    }
  } catch (error) {
    if (error instanceof InvalidInput) return { problem: error.message, remedies: [] }
    throw error
  }
})
/**
 * Fresh produce of the batch. A jar filled from a salted bowl has little of its own: more of that would be another
 * sauce, so it is not offered there.
 */
const fresh = computed(() => (content.value?.rows ?? []).filter((row) => !row.lotId))
const sumG = (rows: readonly { massG: number }[]) => rows.reduce((sum, row) => sum + row.massG, 0)
const offered = computed(() =>
  (found.value?.remedies ?? []).filter(
    (remedy) => remedy.id !== 'produce' || sumG(fresh.value) > sumG(content.value?.rows ?? []) / 2,
  ),
)
const WHAT = { salt: 'Salt', water: 'Water', produce: 'Unsalted produce', brine: 'Brine' } as const

/** Records what is known of the salt, and what was put in. */
async function did(remedy: Remedy) {
  const base = content.value
  if (!base || isPct.value === null || target.value === null) return
  const at = nowMoment()
  const later = momentOf(nowMs() + 1)
  const facts: Draft[] =
    how.value === 'measured'
      ? [{ kind: 'reading', at, lotId: lot.id, saltPct: Math.round(isPct.value * 100) / 100, note: 'Salted wrong.' }]
      : [
          {
            kind: 'weigh',
            at: lot.weighed?.at ?? lot.packed?.at ?? at,
            lotId: lot.id,
            rows: base.rows,
            waterG: base.waterG,
            saltG: remembered.value.saltG ?? base.saltG,
            note: 'Salt as remembered.',
            ...(lot.weighed && { replaces: lot.weighed.id }),
          },
        ]
  const put = putOf(remedy, fresh.value, brinePct.value ?? 0)
  if (
    !(await record(...facts, {
      kind: 'add',
      at: later,
      lotId: lot.id,
      ...put,
      reason: `Salt from ${formatNumber(isPct.value, 2)} to ${formatNumber(target.value, 2)} %.`,
    }))
  )
    return
  ElMessage.success('Recorded. Stir it through, and taste or measure again in a day.')
  open.value = false
}
const saltOptions = computed(() => [
  ...book.library.salts.map(({ id, name }) => ({ value: id, label: name })),
  { value: 'unknown', label: 'another salt' },
])
</script>

<template>
  <el-dialog v-model="open" :title="`Salted wrong? ${lot.code}`" width="620px">
    <div class="stack">
      <p v-if="now" class="muted">
        By the log it holds {{ formatNumber(now.saltPct, 2) }} % salt of everything; planned
        {{ plannedPct === null ? 'unknown' : `${formatNumber(plannedPct, 2)} %` }}. In the first days it tastes saltier
        than it is: it evens out.
      </p>
      <div class="fields">
        <PickField v-model="how" label="What you know" :options="HOW" />
        <QuantityField
          v-if="how === 'measured'"
          v-model="measuredPct"
          kind="percent"
          label="Salt measured"
          :limits="{ high: 40 }"
        />
        <QuantityField v-else-if="how === 'grams'" v-model="grams" kind="mass" label="Salt that went in" />
        <template v-else>
          <QuantityField v-model="spoons" kind="number" label="Spoons" :limits="{ high: 500 }" no-take />
          <PickField v-model="spoon" label="of" :options="SPOONS" />
          <PickField v-model="saltId" label="Which salt" :options="saltOptions" />
        </template>
        <QuantityField
          :model-value="target"
          kind="percent"
          label="It should have"
          :limits="{ low: 0.1, high: 35 }"
          @update:model-value="targetPct = $event"
        />
        <QuantityField v-model="brinePct" kind="percent" label="Brine at hand" :limits="{ high: 26 }" />
      </div>
      <p v-if="remembered.problem" class="problem" role="alert">{{ remembered.problem }}</p>
      <p v-if="target !== null && target < LEAST_SALT_PCT.usual && plan && styleById(plan.style).ferments">
        <StateMark level="act" word="Too weak" /> Below {{ LEAST_SALT_PCT.usual }} % of everything the wrong bacteria
        can win.
      </p>
      <p v-if="isPct !== null" data-figure="salt-now">
        That is <strong>{{ formatNumber(isPct, 2) }} %</strong> of everything.
      </p>
      <p v-if="found?.problem" class="problem" role="alert">{{ found.problem }}</p>
      <p v-else-if="found && found.remedies.length === 0">
        <StateMark level="fine" word="Near enough" /> Nothing to put in.
      </p>
      <ul v-else-if="found" class="plain-list remedies">
        <li v-for="remedy in offered" :key="remedy.id" :data-remedy="remedy.id">
          <div>
            <strong>{{ WHAT[remedy.id] }}</strong>
            <p>
              <StateMark
                v-if="!remedy.fits"
                :level="(remedy.fraction ?? 0) > 1 ? 'discard' : 'act'"
                :word="(remedy.fraction ?? 0) > 1 ? 'Does not fit' : 'Tight'"
              />
              {{ ' ' }}<SaidText :text="remedy.sentence" />
            </p>
          </div>
          <el-button :loading="busy" @click="did(remedy)">Done: I put it in</el-button>
        </li>
      </ul>
    </div>
  </el-dialog>
</template>

<style scoped>
.fields {
  grid-template-columns: repeat(auto-fill, minmax(180px, 1fr));
}
.remedies {
  display: grid;
}
.remedies li {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: var(--s3);
  align-items: center;
  padding: var(--s3) 0;
  border-top: 1px solid var(--line);
}
</style>
