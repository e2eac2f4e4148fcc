<script setup lang="ts">
import { computed, watch, useTemplateRef } from 'vue'
import { say } from '~/composables/say'
import IconX from '~icons/lucide/x'
import {
  FILL_LEVEL,
  formatNumber,
  InvalidInput,
  styleById,
  topUpBrine,
  type Draft,
  type Lot,
  type Row,
} from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { freshRow } from '~/forms/planForm'
import { brineInside, freshPutIn, putInContent, putInDraft, putInResult } from '~/forms/putIn'
import { useForm, type Problems } from '~/composables/useForm'
import { focusLast } from '~/composables/focusLast'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/**
 * Anything put in later, with its amount: brine of the strength inside, water, salt, juice, vinegar, herbs, oil, a kept
 * brine. What it makes of salt and fill stands there before it is recorded. `topUp` proposes brine, and does the chore.
 */
const { lot, topUp = false } = defineProps<{ lot: Lot; topUp?: boolean }>()
const open = defineModel<boolean>({ required: true })
const book = useBook()
const preferences = usePreferences()
const ANY = ''
const inside = computed(() => book.composition(lot.id))
const plan = computed(() => (lot.made.kind === 'plan' ? lot.made : null))
const { form, problem, busy, confirm, reset } = useForm({
  fresh: () => freshPutIn(plan.value?.saltId ?? 'fine-sea', inside.value ? brineInside(inside.value) : 0),
  problems: (): Problems<'content'> => ({ content: problemOf() }),
  kept: 'What you said is still here; try again.',
})
watch(
  open,
  (now) => {
    if (!now || !inside.value) return
    reset()
    if (topUp) {
      form.value.brineG = Math.max(20, Math.round((topUpBrine(book.book, lot)?.massG ?? 0) / 10) * 10)
      form.value.reason = 'Topped up.'
    }
  },
  { immediate: true },
)
const jars = computed(() => (form.value.mark === ANY ? Math.max(1, lot.vessels.length) : 1))
const marks = computed(() => [
  { value: ANY, label: 'all jars' },
  ...lot.vessels.map(({ mark }) => ({ value: mark, label: `jar ${mark}` })),
])
const content = computed(() => {
  try {
    return { put: putInContent(form.value, book.book, jars.value), problem: null }
  } catch (error) {
    if (error instanceof InvalidInput) return { put: null, problem: error.message }
    throw error
  }
})
const result = computed(() =>
  content.value.put && inside.value ? putInResult(book.book, lot, inside.value, content.value.put) : null,
)
const unread = computed(() => form.value.rows.some(({ massG }) => massG === null))
function problemOf(): string | null {
  if (content.value.problem) return content.value.problem
  if (unread.value) return 'An amount is missing, or asks something. Answer it, or take it out.'
  if (!content.value.put) return 'Say what went in, and how much.'
  return form.value.brineG && form.value.brinePct === null ? 'Say how strong the brine is.' : null
}
const list = useTemplateRef<HTMLElement>('list')
function add(row: Omit<Row, 'massG'>, amount: string | null) {
  form.value.rows.push({ ...freshRow(row), ...(amount && { typed: amount }) })
  if (!amount) void focusLast(list)
}
const ferments = computed(() => !!plan.value && styleById(plan.value.style).ferments)

function drafts(): Draft[] | null {
  if (!content.value.put) return null
  const at = nowMoment()
  const put = putInDraft(form.value, content.value.put, { at, lotId: lot.id })
  return topUp ? [put, { kind: 'chore', at, lotId: lot.id, chore: 'top up' }] : [put]
}
async function putIn(event: Event) {
  if (!(await confirm(event, drafts))) return
  say.done(`${lot.code}: recorded. Stir it through; the forecast begins anew from it.`)
  open.value = false
}
</script>

<template>
  <el-dialog v-model="open" :title="`${topUp ? 'Top up' : 'Put in'}: ${lot.code}`" width="620px">
    <form class="stack" novalidate @submit.prevent="putIn">
      <div class="fields">
        <QuantityField
          v-model="form.brineG"
          v-model:between="form.brineBetween"
          v-model:said="form.brineSaid"
          kind="mass"
          label="Brine"
          :thing="book.library.materialOrUnknown('water')"
          optional
        />
        <QuantityField
          v-model="form.brinePct"
          kind="percent"
          label="Strength of the brine"
          :limits="{ high: 26 }"
          hint="as inside, evened out"
        />
        <QuantityField
          v-model="form.waterG"
          v-model:between="form.waterBetween"
          v-model:said="form.waterSaid"
          kind="mass"
          label="Water alone"
          :thing="book.library.materialOrUnknown('water')"
          optional
        />
        <SaltField
          v-model:pct="form.saltPct"
          v-model:words="form.saltSaid"
          v-model:salt-id="form.saltId"
          label="Salt alone"
          hint="5 g, 1 tsp, 1 tsp on top"
        />
        <PickField v-if="lot.vessels.length > 1" v-model="form.mark" label="Into" :options="marks" />
        <WordField v-model="form.reason" label="Why" placeholder="topped up, more lime …" />
      </div>
      <ul v-if="form.rows.length" ref="list" class="plain-list rows">
        <li v-for="(row, index) in form.rows" :key="row.key">
          <strong>{{ row.name }}</strong
          ><QuantityField
            v-model="row.massG"
            v-model:between="row.betweenG"
            v-model:said="row.said"
            kind="mass"
            :label="`${row.name}, amount`"
            hide-label
            :limits="{ low: 0.1 }"
            :thing="book.library.materialOrUnknown(row.materialId)"
            :typed="row.typed"
          /><el-button text :aria-label="`Take out ${row.name}`" @click="form.rows.splice(index, 1)"
            ><IconX aria-hidden="true"
          /></el-button>
          <BrineFacts
            v-if="book.library.material(row.materialId)?.kind === 'starter'"
            class="facts"
            :model-value="row"
          />
        </li>
      </ul>
      <IngredientPicker label="Anything else" placeholder="juice of 2 limes, 2 tbsp whey, olive oil …" @picked="add" />
      <div v-if="result" class="after" data-figure="put-in">
        <p>
          Salt of everything {{ formatNumber(result.before, 2) }} →
          <strong>{{ formatNumber(result.saltPct, 2) }} %</strong
          ><template v-if="form.saltSaid && content.put">
            , with
            {{
              preferences.amountWords(
                {
                  low: content.put.saltBetweenG?.low ?? content.put.saltG,
                  typical: content.put.saltG,
                  high: content.put.saltBetweenG?.high ?? content.put.saltG,
                },
                'mass',
              )
            }}
            of salt</template
          >.
        </p>
        <p v-if="result.fill">
          <StateMark :level="FILL_LEVEL[result.fill.verdict]" :word="result.fill.verdict" />
          {{ ' ' }}<SaidText :text="result.fill.sentence" />
        </p>
        <p v-if="result.allergens.length">Now it contains {{ result.allergens.join(', ') }}: the label will say so.</p>
        <p v-if="ferments" class="small muted">Stir it through and read it again: it counts as not read until then.</p>
      </div>
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <div class="row">
        <el-button type="primary" native-type="submit" :loading="busy">It is in: record it</el-button>
        <el-button @click="open = false">Nothing went in</el-button>
      </div>
    </form>
  </el-dialog>
</template>

<style scoped>
.fields {
  grid-template-columns: repeat(auto-fill, minmax(180px, 1fr));
}
.rows li {
  display: grid;
  grid-template-columns: 1fr 220px 44px;
  gap: var(--s2);
  align-items: start;
  padding: var(--s1) 0;
}
.rows .facts {
  grid-column: 1 / -1;
}
.after {
  display: grid;
  gap: var(--s1);
  border-left: 3px solid var(--salt);
  padding-left: var(--s3);
}
</style>
