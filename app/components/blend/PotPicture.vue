<script setup lang="ts">
import { computed } from 'vue'
import { formatNumber, formatVolume, type Forecast } from '@lactofer/core'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/** The pot with its true fill and the colour of what is stirred together; how much that is, and how many bottles. */
const bottleMl = defineModel<number>({ required: true })
const { forecast, bottles, colour } = defineProps<{
  forecast: Forecast
  bottles: { count: number; restMl: number }
  colour: string | null
}>()
const book = useBook()
const preferences = usePreferences()
/** Kitchen pots, mL: the smallest that leaves a fifth of its room. */
const POTS = [500, 1000, 2000, 3000, 5000, 10_000, 20_000, 50_000, 100_000, 200_000]
const ROOM = 0.8
const potMl = computed(() => POTS.find((ml) => forecast.volumeMl <= ml * ROOM) ?? forecast.volumeMl / ROOM)
/** Inside of the drawing, px. */
const [TOP, BOTTOM] = [16, 92]
const level = computed(() => BOTTOM - (BOTTOM - TOP) * (forecast.volumeMl / potMl.value))
const said = computed(
  () =>
    `A pot of ${formatVolume(potMl.value, preferences.world)}, ${formatNumber((100 * forecast.volumeMl) / potMl.value)} % full`,
)
const formats = computed(() =>
  book.library.formats.map(({ fillMl }) => ({ value: fillMl, label: formatVolume(fillMl, preferences.world) })),
)
</script>

<template>
  <div class="pot">
    <svg viewBox="0 0 150 104" role="img" :aria-label="said">
      <clipPath id="pot-inside"><path d="M22 10 H128 V86 Q128 96 118 96 H32 Q22 96 22 86 Z" /></clipPath>
      <path d="M22 10 H128 V86 Q128 96 118 96 H32 Q22 96 22 86 Z" fill="var(--surface)" />
      <g clip-path="url(#pot-inside)">
        <rect class="sauce" x="22" :y="level" width="106" :height="100 - level" :fill="colour ?? 'none'" />
        <line v-if="colour" x1="22" x2="128" :y1="level" :y2="level" stroke="#0005" stroke-width="2" />
      </g>
      <g fill="none" stroke="var(--outline)" stroke-width="3">
        <path d="M22 10 H128 V86 Q128 96 118 96 H32 Q22 96 22 86 Z" />
        <path d="M16 10 H134" stroke-width="5" stroke-linecap="round" />
        <path d="M22 28 H9 V42 H22 M128 28 H141 V42 H128" />
      </g>
    </svg>
    <div class="told">
      <p>
        <span class="figure" data-figure="mass"><MassText :mass-g="forecast.massG" /></span> in the pot,
        <span data-figure="volume">{{ formatVolume(forecast.volumeMl, preferences.world) }}</span>
      </p>
      <p>
        <span class="figure" data-figure="bottles">{{ formatNumber(bottles.count) }}</span>
        {{ bottles.count === 1 ? 'bottle' : 'bottles' }} of
      </p>
      <PickField v-model="bottleMl" class="size" label="Bottle size" hide-label :options="formats" />
      <p v-if="bottles.count" class="small muted"><SaidText :text="`${formatNumber(bottles.restMl)} mL`" /> over</p>
    </div>
  </div>
</template>

<style scoped>
.pot {
  display: grid;
  grid-template-columns: 150px 1fr;
  gap: var(--s4);
  align-items: center;
}
svg {
  width: 100%;
}
.sauce {
  transition:
    y 0.15s,
    fill 0.15s;
}
.told {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: var(--s1) var(--s2);
  align-items: center;
}
.told p:first-child {
  grid-column: 1 / -1;
}
.told p:last-child {
  grid-column: 1 / -1;
}
.size {
  width: 112px;
}
@media (max-width: 480px) {
  .pot {
    grid-template-columns: 104px 1fr;
  }
}
</style>
