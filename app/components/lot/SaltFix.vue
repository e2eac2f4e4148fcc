<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { say } from '~/composables/say'
import {
  formatNumber,
  InvalidInput,
  knownSaltPct,
  LEAST_SALT_PCT,
  momentOf,
  plannedSaltPct,
  propertiesOf,
  remediesOf,
  remedyDrafts,
  spoonedG,
  styleById,
  TEASPOONS_PER_TABLESPOON,
  type Lot,
  type Remedy,
  type SaltKnown,
} from '@lactofer/core'
import { nowMoment, nowMs } from '~/clock/clock'
import { useRecorder } from '~/composables/useRecorder'
import { useBook } from '~/stores/book'

/** "I salted it wrong": what is known of it, what it should be, what to put in, how much, whether it still fits. */
const { lot } = defineProps<{ lot: Lot }>()
const open = defineModel<boolean>({ required: true })
const book = useBook()
const { busy, record } = useRecorder()
/** How the salt that went in is known. */
const HOW = [
  { value: 'measured', label: 'I measured it' },
  { value: 'grams', label: 'I remember the grams' },
  { value: 'spoons', label: 'I remember the spoons' },
] as const
const SPOONS = [
  { value: 'tsp', label: 'teaspoons, level' },
  { value: 'tbsp', label: 'tablespoons, level' },
]
const how = ref<(typeof HOW)[number]['value']>('measured')
const measuredPct = ref<number | null>(null)
const grams = ref<number | null>(null)
const spoons = ref<number | null>(null)
const spoon = ref<'tsp' | 'tbsp'>('tbsp')
const saltId = ref('fine-sea')
const brinePct = ref<number | null>(10)

const plan = computed(() => (lot.made.kind === 'plan' ? lot.made : null))
const now = computed(() => {
  const composition = book.composition(lot.id)
  return composition && propertiesOf(composition)
})
const plannedPct = computed(() => plannedSaltPct(book.book, lot))
const targetPct = ref<number | null>(null)
const target = computed(() => targetPct.value ?? plannedPct.value)
/** What was planned is where remembering starts. */
watch(open, (now) => {
  if (now && plan.value) [saltId.value, grams.value] = [plan.value.saltId, (lot.weighed ?? plan.value).saltG]
})

/** What is worked out, or why it cannot be. */
function trying<T>(work: () => T): { found: T | null; problem: string | null } {
  try {
    return { found: work(), problem: null }
  } catch (error) {
    if (error instanceof InvalidInput) return { found: null, problem: error.message }
    throw error
  }
}
/** Salt that went in by the spoon, g. */
const spooned = computed(() =>
  trying(() => {
    if (spoons.value === null) return null
    const each = spoon.value === 'tbsp' ? TEASPOONS_PER_TABLESPOON : 1
    return spoonedG(spoons.value * each, saltId.value, book.library.salts).typical
  }),
)
const known = computed((): SaltKnown | null => {
  if (how.value === 'measured')
    return measuredPct.value === null ? null : { measuredPct: measuredPct.value, rememberedG: null }
  const rememberedG = how.value === 'grams' ? grams.value : spooned.value.found
  return rememberedG === null ? null : { measuredPct: null, rememberedG }
})
const isPct = computed(() => known.value && knownSaltPct(book.book, lot, known.value))
const wish = computed(() =>
  target.value === null || brinePct.value === null ? null : { targetPct: target.value, brinePct: brinePct.value },
)
const remedies = computed(() =>
  trying(() => (known.value && wish.value ? remediesOf(book.book, lot, known.value, wish.value) : null)),
)
const WHAT = { salt: 'Salt', water: 'Water', produce: 'Unsalted produce', brine: 'Brine' } as const

/** Records what is known of the salt, and what was put in. */
async function did(remedy: Remedy) {
  if (!known.value || !wish.value) return
  const moments = { at: nowMoment(), laterAt: momentOf(nowMs() + 1) }
  const drafts = remedyDrafts(book.book, lot, known.value, wish.value, remedy, moments)
  if (!drafts || !(await record(...drafts))) return
  say.done('Recorded. Stir it through, and taste or measure again in a day.')
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
      <p v-if="how === 'spoons' && spooned.problem" class="problem" role="alert">{{ spooned.problem }}</p>
      <p v-if="target !== null && target < LEAST_SALT_PCT.usual && plan && styleById(plan.style).ferments">
        <StateMark level="act" word="Too weak" /> Below {{ LEAST_SALT_PCT.usual }} % of everything the wrong bacteria
        can win.
      </p>
      <p v-if="isPct !== null" data-figure="salt-now">
        That is <strong>{{ formatNumber(isPct, 2) }} %</strong> of everything.
      </p>
      <p v-if="remedies.problem" class="problem" role="alert">{{ remedies.problem }}</p>
      <p v-else-if="remedies.found?.length === 0"><StateMark level="fine" word="Near enough" /> Nothing to put in.</p>
      <ul v-else-if="remedies.found" class="plain-list remedies">
        <li v-for="remedy in remedies.found" :key="remedy.id" :data-remedy="remedy.id">
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
