<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue'
import { useSortable } from '@vueuse/integrations/useSortable'
import IconX from '~icons/lucide/x'
import IconGrip from '~icons/lucide/grip-vertical'
import IconUp from '~icons/lucide/arrow-up'
import IconDown from '~icons/lucide/arrow-down'
import IconMore from '~icons/lucide/chevron-down'
import { formatNumber, PREPARATIONS, PRODUCE_KINDS, SCALE_NOISE_G, type Row } from '@lactofer/core'
import { freshRow, type FormRow, type PlanForm } from '~/forms/planForm'
import { focusLast } from '~/composables/focusLast'
import { useThings } from '~/composables/useThings'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/** The ingredients as they are weighed in: by weight, by cup, spoon or count; moved by drag or by buttons. */
const rows = defineModel<PlanForm['rows']>({ required: true })
const trimmed = defineModel<number | null>('trimmed', { required: true })
const book = useBook()
const { thingOf } = useThings()
const preferences = usePreferences()
const list = useTemplateRef<HTMLElement>('list')
const open = ref<string | null>(null)
const preparations = PREPARATIONS.map((value) => ({ value, label: value }))
useSortable(list, rows, { handle: '.grip', animation: 120 })

const material = (row: FormRow) => (row.lotId ? undefined : book.library.material(row.materialId))
/** Only produce is roasted or frozen; a vinegar or a kept brine is what it is. */
const isProduce = (row: FormRow) =>
  !row.lotId && (PRODUCE_KINDS as readonly string[]).includes(material(row)?.kind ?? 'vegetable')
const colour = (row: FormRow) => (row.lotId ? book.lot(row.lotId)?.color : material(row)?.color)
const total = computed(() => rows.value.reduce((sum, row) => sum + (row.massG ?? 0), 0))

/** All that is taken of a lot, in every row of it. */
const takenG = (lotId: string | undefined) =>
  rows.value.reduce((sum, row) => (row.lotId === lotId ? sum + (row.massG ?? 0) : sum), 0)
const hint = (row: FormRow) => {
  const lot = row.lotId ? book.lot(row.lotId) : undefined
  if (lot && takenG(row.lotId) > lot.leftG + SCALE_NOISE_G) return `only ${formatNumber(lot.leftG)} g in stock`
  return row.materialId === 'unknown' ? 'unlisted: wide ranges' : undefined
}
const trimSentence = (row: FormRow) => {
  if (row.boughtG === undefined || row.massG === null) return 'as bought, before stems and seeds'
  if (row.boughtG < row.massG) return 'What was bought cannot weigh less than what goes in.'
  return `${formatNumber(100 * (1 - row.massG / row.boughtG), 1)} % trimmed off`
}
function move(index: number, by: -1 | 1) {
  const [row] = rows.value.splice(index, 1)
  if (row) rows.value.splice(index + by, 0, row)
}
/** An optional fact of a row: there, or not. */
const set = (row: FormRow, change: Partial<Pick<FormRow, 'boughtG' | 'pricePerKg' | 'grower'>>) =>
  Object.assign(row, change)
function add(row: Omit<Row, 'massG'>, amount: string | null) {
  rows.value.push({ ...freshRow(row), ...(amount && { typed: amount }) })
  if (!amount) void focusLast(list)
}
</script>

<template>
  <section class="sheet" aria-label="Ingredients">
    <h2>Weigh in</h2>
    <p v-if="rows.length === 0" class="muted">
      Start with the peppers. By weight, or as you say it: 2 cups, 12 cloves. Weigh each thing as it goes in, garlic
      too: the salt is a share of the whole.
    </p>
    <ol ref="list" class="plain-list rows">
      <li v-for="(row, index) in rows" :key="row.key" :style="{ '--chip': colour(row) ?? '#9aa58c' }">
        <span class="grip" aria-hidden="true"><IconGrip /></span>
        <span class="what"
          ><span class="chip" aria-hidden="true" /><span
            >{{ row.name }}<span v-if="row.lotId" class="code small tag">{{ book.lot(row.lotId)?.code }}</span
            ><span v-if="row.seedsOut" class="muted small">, seeds out</span></span
          ></span
        >
        <QuantityField
          v-model="row.massG"
          v-model:between="row.betweenG"
          v-model:said="row.said"
          kind="mass"
          :label="`${row.name}, weight`"
          hide-label
          :limits="{ low: 0.1 }"
          :hint="hint(row)"
          :thing="thingOf(row)"
          :typed="row.typed"
        />
        <PickField
          v-if="isProduce(row)"
          v-model="row.preparation"
          :label="`${row.name}, prepared`"
          hide-label
          :options="preparations"
        /><span v-else />
        <span class="share number small muted">{{
          total > 0 && row.massG ? `${formatNumber((100 * row.massG) / total)} %` : ''
        }}</span>
        <button
          type="button"
          class="icon"
          :aria-label="`More about ${row.name}`"
          :aria-expanded="open === row.key"
          @click="open = open === row.key ? null : row.key"
        >
          <IconMore aria-hidden="true" />
        </button>
        <div v-if="open === row.key" class="more">
          <el-checkbox v-if="material(row)?.kind === 'pepper'" v-model="row.seedsOut"
            >seeds and membranes out</el-checkbox
          >
          <BrineFacts v-if="material(row)?.kind === 'starter'" :model-value="row" />
          <div class="fields">
            <QuantityField
              :model-value="row.boughtG ?? null"
              kind="mass"
              :label="`${row.name}, bought`"
              :thing="thingOf(row)"
              optional
              :hint="trimSentence(row)"
              @update:model-value="set(row, { boughtG: $event ?? undefined })"
            />
            <WordField
              :model-value="row.grower ?? ''"
              :label="`${row.name}, grower’s lot`"
              placeholder="who grew it, their mark"
              @update:model-value="set(row, { grower: $event.trim() ? $event : undefined })"
            />
            <QuantityField
              :model-value="row.pricePerKg ?? null"
              kind="number"
              :label="`${row.name}, ${preferences.currency} per kg`"
              :limits="{ high: 100_000 }"
              optional
              no-take
              @update:model-value="set(row, { pricePerKg: $event ?? undefined })"
            />
          </div>
          <div class="row">
            <el-button :disabled="index === 0" :aria-label="`Move ${row.name} up`" @click="move(index, -1)"
              ><IconUp aria-hidden="true" />&nbsp;Up</el-button
            >
            <el-button
              :disabled="index === rows.length - 1"
              :aria-label="`Move ${row.name} down`"
              @click="move(index, 1)"
              ><IconDown aria-hidden="true" />&nbsp;Down</el-button
            >
            <el-button :aria-label="`Take out ${row.name}`" @click="rows.splice(index, 1)"
              ><IconX aria-hidden="true" />&nbsp;Take it out</el-button
            >
          </div>
        </div>
      </li>
    </ol>
    <div class="more-in">
      <IngredientPicker @picked="add" />
      <BatchTrimmings v-if="rows.length" v-model="trimmed" :rows="rows" />
    </div>
  </section>
</template>

<style scoped>
.rows li {
  display: grid;
  grid-template-columns: 20px minmax(104px, 1fr) 232px 110px 50px 44px;
  gap: var(--s2);
  align-items: start;
  padding: var(--s2) 0;
  border-bottom: 1px solid var(--line);
  background: var(--surface);
}
.more-in {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 300px), 1fr));
  gap: var(--s2) var(--s4);
  align-items: end;
}
.grip {
  min-height: var(--touch);
  display: grid;
  place-items: center;
  color: var(--muted);
  cursor: grab;
  touch-action: none;
}
.what {
  display: flex;
  align-items: center;
  gap: var(--s2);
  font-weight: 600;
  min-height: var(--touch);
  line-height: 1.2;
}
.chip {
  width: 12px;
  height: 26px;
  border-radius: 3px;
  background: var(--chip);
  border: 1px solid #0003;
  flex: none;
}
.tag {
  margin-left: 6px;
}
.share {
  min-height: var(--touch);
  display: grid;
  place-items: center end;
}
.icon {
  width: 44px;
  height: 44px;
  display: grid;
  place-items: center;
  border: 1px solid transparent;
  border-radius: var(--radius);
  background: none;
  color: inherit;
  cursor: pointer;
}
.icon:hover {
  border-color: var(--line);
}
.icon[aria-expanded='true'] {
  background: var(--wash);
}
.more {
  grid-column: 2 / -1;
  display: grid;
  gap: var(--s3);
  padding: var(--s2) 0 var(--s3);
}
@media (max-width: 700px) {
  .rows li {
    grid-template-columns: 20px 1fr 1fr 44px;
  }
  .what {
    grid-column: 2 / 4;
    grid-row: 1;
  }
  .icon {
    grid-column: 4;
    grid-row: 1;
  }
  .share {
    display: none;
  }
  .rows li > .quantity {
    grid-column: 2;
  }
  .rows li > .quantity + div {
    grid-column: 3 / 5;
  }
  .more {
    grid-column: 1 / -1;
  }
}
</style>
