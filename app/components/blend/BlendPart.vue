<script setup lang="ts">
import { computed } from 'vue'
import IconMore from '~icons/lucide/settings-2'
import IconX from '~icons/lucide/x'
import IconLock from '~icons/lucide/lock'
import IconOpen from '~icons/lucide/lock-open'
import IconMinus from '~icons/lucide/minus'
import IconPlus from '~icons/lucide/plus'
import { formatMass, formatNumber, unreadPhOf } from '@lactofer/core'
import { reachOf, type Mode, type PartForm } from '~/forms/blendForm'
import { partWords, saidOf, tableWords } from '~/words/partWords'
import { useThings } from '~/composables/useThings'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/**
 * One part of the pot: less and more of it by press, slider or figure; locked, taken out, known better. A ghost on
 * the slider shows what would bring the pot to its targets.
 */
const part = defineModel<PartForm>({ required: true })
/** Whether what is known of it stands open. */
const opened = defineModel<boolean>('opened', { required: true })
const { mode, totalG, share, ghostG, problem, remains, colour } = defineProps<{
  mode: Mode
  totalG: number
  /** Of the pot, %; `null` while it is empty. */
  share: number | null
  ghostG: number | null
  problem: string | undefined
  remains: (lotId: string) => number
  colour: string
}>()
const emit = defineEmits<{ share: [pct: number | null]; ratio: [ratio: number | null]; remove: [] }>()
const book = useBook()
const { thingOf } = useThings()
const preferences = usePreferences()

/** From here a slider moves in fives, and a press in tens, g. */
const COARSE_G = 400
const lot = computed(() => (part.value.lotId ? book.lot(part.value.lotId) : undefined))
const material = computed(() => book.library.material(part.value.materialId ?? ''))
const reach = computed(() => Math.max(reachOf(part.value, lot.value, material.value), Math.ceil(ghostG ?? 0)))
const coarse = computed(() => reach.value > COARSE_G)
const known = computed(() => partWords(part.value, material.value))
const ownKnown = computed(() => known.value !== '' && known.value !== tableWords(part.value, material.value))
function move(way: number) {
  const step = coarse.value ? 10 : 1
  part.value.massG = Math.max(0, Math.round((part.value.massG ?? 0) / step + way) * step)
}
const said = computed(() =>
  saidOf(part.value, {
    own: problem,
    lot: lot.value,
    remains,
    totalG,
    world: preferences.world,
    unreadPh: part.value.lotId ? unreadPhOf(book.book, part.value.lotId) : null,
  }),
)
</script>

<template>
  <li :data-part="part.name">
    <span class="chip" :style="{ background: colour }" aria-hidden="true" />
    <span class="what"
      ><strong>{{ part.name }}</strong
      ><span class="muted small"
        ><b v-if="share !== null">{{ formatNumber(share, 1) }} %</b>{{ ' '
        }}<template v-if="lot"
          >{{ lot.code }}, <span data-figure="remains">{{ formatMass(remains(lot.id), preferences.world) }} stay</span
          ><template v-if="known">, {{ known }}</template></template
        ><template v-else>{{ known || 'off the shelf' }}</template></span
      ></span
    >
    <span class="tools">
      <el-button
        text
        :class="{ on: ownKnown }"
        :aria-label="`${part.name}: what you know of it, limits`"
        :aria-expanded="opened"
        @click="opened = !opened"
        ><IconMore aria-hidden="true"
      /></el-button>
      <el-button
        text
        :aria-label="part.locked ? `Unlock ${part.name}` : `Lock ${part.name}`"
        :aria-pressed="part.locked"
        @click="part.locked = !part.locked"
        ><IconLock v-if="part.locked" class="shut" aria-hidden="true" /><IconOpen v-else aria-hidden="true"
      /></el-button>
      <el-button text :aria-label="`Take out ${part.name}`" @click="emit('remove')"
        ><IconX aria-hidden="true"
      /></el-button>
    </span>
    <div class="amount">
      <el-button :disabled="part.locked" :aria-label="`Less ${part.name}`" @click="move(-1)"
        ><IconMinus aria-hidden="true"
      /></el-button>
      <div class="slide">
        <el-slider
          :model-value="part.massG ?? 0"
          :disabled="part.locked"
          :max="reach"
          :step="coarse ? 5 : 1"
          :show-tooltip="false"
          :aria-label="`${part.name}, grams`"
          :format-value-text="(grams: number) => formatMass(grams, preferences.world)"
          @update:model-value="(grams: number | number[]) => (part.massG = Number(grams))"
        />
        <span v-if="ghostG !== null" class="ghost" :style="{ left: `${(100 * ghostG) / reach}%` }" aria-hidden="true" />
      </div>
      <el-button :disabled="part.locked" :aria-label="`More ${part.name}`" @click="move(1)"
        ><IconPlus aria-hidden="true"
      /></el-button>
    </div>
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
        :model-value="share"
        kind="percent"
        :label="`${part.name}, percent`"
        hide-label
        no-take
        @update:model-value="emit('share', $event)"
      />
      <QuantityField
        v-else
        :model-value="part.ratio"
        kind="number"
        :limits="{ high: 1000 }"
        :label="`${part.name}, parts`"
        hide-label
        no-take
        @update:model-value="emit('ratio', $event)"
      />
      <span v-if="ghostG !== null" class="small would" data-figure="ghost"
        >would be {{ formatMass(ghostG, preferences.world) }}</span
      >
    </div>
    <PartDetails v-if="opened" v-model="part" class="wide" />
    <p v-if="said" :class="['wide', said.level === 'problem' ? 'problem' : 'small muted']" role="alert">
      {{ said.text }}
    </p>
  </li>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 12px minmax(0, 1fr) 136px;
  gap: 2px var(--s2);
  align-items: center;
  padding: var(--s2) 0;
  border-bottom: 1px solid var(--line);
}
.chip {
  height: 38px;
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
  width: var(--touch);
  padding: 0;
  color: var(--muted);
}
.tools .on,
.tools .shut,
.tools [aria-expanded='true'] {
  color: var(--bottle);
}
.amount {
  grid-column: 1 / 3;
  display: grid;
  grid-template-columns: var(--touch) minmax(60px, 1fr) var(--touch);
  gap: var(--s3);
  align-items: center;
  align-self: start;
}
.amount .el-button {
  padding: 0;
}
.slide {
  position: relative;
}
.slide .el-slider {
  height: var(--touch);
}
/* Where the mark lies that would bring the pot to its targets. */
.ghost {
  position: absolute;
  top: 6px;
  width: 14px;
  height: 32px;
  margin-left: -7px;
  border: 2px dashed var(--ink);
  border-radius: 4px;
  pointer-events: none;
}
.numbers {
  align-self: start;
}
.would {
  font-weight: 600;
}
.wide {
  grid-column: 2 / -1;
}
.small b {
  color: var(--ink);
}
@media (max-width: 480px) {
  .amount {
    gap: var(--s2);
  }
}
</style>
