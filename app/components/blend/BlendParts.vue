<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue'
import IconMore from '~icons/lucide/settings-2'
import IconX from '~icons/lucide/x'
import IconLock from '~icons/lucide/lock'
import IconOpen from '~icons/lucide/lock-open'
import { formatMass, formatNumber, InvalidInput, unreadPhOf, type Lot } from '@lactofer/core'
import { MODES, reachOf, setShare, shareOut, totalOf, type Mode, type PartForm } from '~/forms/blendForm'
import { chosenPart } from '~/forms/choosePart'
import { partWords, saidOf, tableWords } from '~/words/partWords'
import { usePartOptions } from '~/composables/usePartOptions'
import { useThings } from '~/composables/useThings'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/** What goes into the pot: a slider and a figure each, in grams, percent or parts. Stock limits are said. */
const parts = defineModel<PartForm[]>({ required: true })
const mode = defineModel<Mode>('mode', { required: true })
/** What stays of each lot when every sauce of the bench is poured. */
const { remains } = defineProps<{ remains: (lotId: string) => number }>()
const book = useBook()
const { thingOf } = useThings()
const preferences = usePreferences()
const adding = ref('')
const problems = shallowRef<Record<string, string>>({})
/** The part whose details are open. */
const opened = ref('')

const options = usePartOptions()
const total = computed(() => totalOf({ parts: parts.value }))
const lotOf = (part: PartForm): Lot | undefined => (part.lotId ? book.lot(part.lotId) : undefined)
const material = (part: PartForm) => book.library.material(part.materialId ?? '')
const colour = (part: PartForm) => lotOf(part)?.color ?? material(part)?.color ?? '#9aa58c'
const reach = (part: PartForm) => reachOf(part, lotOf(part), material(part))

function add(choice: string) {
  const key = `${choice}-${parts.value.length}-${Math.round(total.value)}`
  const chosen = chosenPart(choice, key, book, remains)
  if (chosen) parts.value.push(chosen)
  adding.value = ''
}
function attempt(part: PartForm, work: () => void) {
  try {
    work()
    problems.value = {}
  } catch (error) {
    if (!(error instanceof InvalidInput)) throw error
    problems.value = { [part.key]: error.message }
  }
}
const share = (part: PartForm) =>
  total.value > 0 ? Number(((100 * (part.massG ?? 0)) / total.value).toFixed(2)) : null
function changeShare(part: PartForm, index: number, pct: number | null) {
  if (pct !== null && pct !== share(part)) attempt(part, () => setShare(parts.value, index, pct))
}
function changeRatio(part: PartForm, ratio: number | null) {
  part.ratio = ratio
  attempt(part, () => shareOut(parts.value, total.value || 1000))
}
/** Parts begin with what stands in the pot, the smallest of weight as one. */
function changeMode(next: Mode) {
  const least = Math.min(...parts.value.map((part) => part.massG ?? 0).filter((grams) => grams > total.value / 50))
  if (next === 'parts' && Number.isFinite(least))
    for (const part of parts.value) part.ratio = Number(((part.massG ?? 0) / least).toFixed(2))
  problems.value = {}
  mode.value = next
}
const said = (part: PartForm) =>
  saidOf(part, {
    own: problems.value[part.key],
    lot: lotOf(part),
    remains,
    totalG: total.value,
    world: preferences.world,
    unreadPh: part.lotId ? unreadPhOf(book.book, part.lotId) : null,
  })
</script>

<template>
  <section class="sheet parts" aria-label="In the pot">
    <div class="bar" aria-hidden="true">
      <span v-for="part in parts" :key="part.key" :style="{ flexGrow: part.massG ?? 0, background: colour(part) }" />
    </div>
    <el-radio-group
      v-if="parts.length"
      :model-value="mode"
      aria-label="Amounts in"
      @update:model-value="(value) => changeMode(value as Mode)"
      ><el-radio-button v-for="one in MODES" :key="one" :value="one">{{ one }}</el-radio-button></el-radio-group
    >
    <p v-if="parts.length === 0" class="muted">
      Start with a base from stock, then vinegar, water, fruit, salt. Every move of a slider redraws the rulers; nothing
      is poured until you record it.
    </p>
    <ul class="plain-list">
      <li v-for="(part, index) in parts" :key="part.key" :data-part="part.name">
        <span class="chip" :style="{ background: colour(part) }" aria-hidden="true" />
        <span class="what"
          ><strong>{{ part.name }}</strong
          ><span class="muted small"
            ><template v-if="lotOf(part)"
              >{{ lotOf(part)?.code }},
              <span data-figure="remains">{{ formatMass(remains(lotOf(part)!.id), preferences.world) }} stay</span
              ><template v-if="partWords(part, material(part))"
                >, {{ partWords(part, material(part)) }}</template
              ></template
            ><template v-else>{{ partWords(part, material(part)) || 'off the shelf' }}</template></span
          ></span
        >
        <span class="share small">{{ total > 0 ? formatNumber((100 * (part.massG ?? 0)) / total, 1) : '–' }} %</span>
        <span class="tools">
          <el-button
            text
            :class="{
              on:
                partWords(part, material(part)) !== '' &&
                partWords(part, material(part)) !== tableWords(part, material(part)),
            }"
            :aria-label="`${part.name}: what you know of it, limits`"
            :aria-expanded="opened === part.key"
            @click="opened = opened === part.key ? '' : part.key"
            ><IconMore aria-hidden="true"
          /></el-button>
          <el-button
            text
            :aria-label="part.locked ? `Unlock ${part.name}` : `Lock ${part.name}`"
            :aria-pressed="part.locked"
            @click="part.locked = !part.locked"
            ><IconLock v-if="part.locked" class="shut" aria-hidden="true" /><IconOpen v-else aria-hidden="true"
          /></el-button>
          <el-button text :aria-label="`Take out ${part.name}`" @click="parts.splice(index, 1)"
            ><IconX aria-hidden="true"
          /></el-button>
        </span>
        <el-slider
          class="slide"
          :model-value="part.massG ?? 0"
          :disabled="part.locked"
          :max="reach(part)"
          :step="reach(part) > 400 ? 5 : 1"
          :show-tooltip="false"
          :aria-label="`${part.name}, grams`"
          :format-value-text="(grams: number) => formatMass(grams, preferences.world)"
          @update:model-value="(grams: number | number[]) => (part.massG = Number(grams))"
        />
        <div class="numbers">
          <QuantityField
            v-if="mode === 'weight'"
            v-model="part.massG"
            kind="mass"
            :label="`${part.name}, weight`"
            hide-label
            :thing="thingOf(part)"
          />
          <QuantityField
            v-else-if="mode === 'percent'"
            :model-value="share(part)"
            kind="percent"
            :label="`${part.name}, percent`"
            hide-label
            no-take
            @update:model-value="changeShare(part, index, $event)"
          />
          <QuantityField
            v-else
            :model-value="part.ratio"
            kind="number"
            :limits="{ high: 1000 }"
            :label="`${part.name}, parts`"
            hide-label
            no-take
            @update:model-value="changeRatio(part, $event)"
          />
        </div>
        <PartDetails v-if="opened === part.key" v-model="parts[index]!" class="more" />
        <p v-if="said(part)" :class="said(part)?.level === 'problem' ? 'problem' : 'note small muted'" role="alert">
          {{ said(part)?.text }}
        </p>
      </li>
    </ul>
    <PickField
      v-model="adding"
      label="Add to the pot"
      :options="options"
      placeholder="A base, vinegar, water, fruit, salt …"
      @update:model-value="add"
    />
  </section>
</template>

<style scoped>
.bar {
  display: flex;
  height: 24px;
  border: 1px solid var(--outline);
  border-radius: var(--radius);
  overflow: hidden;
  background: var(--enamel);
}
.bar span {
  transition: flex-grow 0.12s;
}
.parts li {
  display: grid;
  grid-template-columns: 12px 1fr auto 112px;
  gap: 0 var(--s2);
  align-items: center;
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
}
.chip {
  height: 34px;
  border-radius: 3px;
  border: 1px solid #0003;
}
.what {
  display: grid;
  line-height: 1.25;
  min-width: 0;
}
.tools {
  display: flex;
  justify-content: flex-end;
}
.tools .el-button {
  width: 36px;
  padding: 0;
  color: var(--muted);
}
.tools .on,
.tools .shut,
.tools [aria-expanded='true'] {
  color: var(--bottle);
}
.slide {
  grid-column: 2;
  margin: 0 10px;
  width: auto;
  min-width: 90px;
  height: var(--touch);
}
.numbers {
  grid-column: 3 / -1;
  width: 124px;
  justify-self: end;
}
.more {
  grid-column: 2 / -1;
}
.problem,
.note {
  grid-column: 2 / -1;
}
</style>
