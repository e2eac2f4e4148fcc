<script setup lang="ts">
import { computed } from 'vue'
import type { JarLook } from '@lactofer/core'

/** What is seen in a vessel: bubbles, foam, film or fur on top, pieces in the air, a cloudy liquid. */
const { look, width, level, bottom } = defineProps<{ look: JarLook; width: number; level: number; bottom: number }>()
/** Places for bubbles, shares of width and depth; so many are drawn as the step says. */
const BUBBLES = [
  [0.2, 0.3],
  [0.7, 0.5],
  [0.45, 0.15],
  [0.85, 0.25],
  [0.32, 0.6],
  [0.6, 0.1],
  [0.12, 0.12],
  [0.52, 0.42],
  [0.78, 0.08],
] as const
const bubbles = computed(() =>
  BUBBLES.slice(0, 3 * (look.seen.bubbles ?? 0)).map(([x, y]) => ({ x: x * width, y: level + y * (bottom - level) })),
)
/** What is drawn large is seen from afar. */
const big = computed(() => Math.max(1, width / 90))
const foamPx = computed(() => (4 + 10 * look.foam) * big.value)
const fur = computed(() => look.cover === 'fur')
/** Film lies from the left on, as far as it covers; skin in folds, islands in humps. */
const film = computed(() => {
  const wide = Math.max(0.25, Math.min(1, look.covered)) * (width + 8)
  if (look.cover === 'veil') return `M-4,${level - 2 * big.value} h${wide} v${3 * big.value} h${-wide} Z`
  const folds = Math.max(2, Math.round(wide / (12 * big.value)))
  const one = wide / folds
  const lift = (look.cover === 'islands' ? -9 : -5) * big.value
  return `M-4,${level + 2} v${-3 * big.value} ${`q${one / 2},${lift} ${one},0 `.repeat(folds)} v${3 * big.value} Z`
})
const tufts = computed(() =>
  Array.from({ length: 4 + Math.round(6 * Math.min(1, look.covered)) }, (_, index) => ({
    x: ((index * 37) % 100) * 0.01 * width,
    h: (5 + ((index * 13) % 5)) * big.value,
  })),
)
/** Humps of pieces that stand in the air. */
const bared = computed(() => {
  const hump = (from: number, wide: number) => `M${width * from},${level} q${(width * wide) / 2},-10 ${width * wide},0`
  return `${hump(0.15, 0.2)} ${hump(0.5, 0.24)}`
})
/** Three hairs of a tuft. */
const hairs = ({ x, h }: { x: number; h: number }) =>
  `M${x - 4 * big.value},${level} v${-h} m${4 * big.value},${h} v${-h - 2} m${4 * big.value},${h + 2} v${-h}`
</script>

<template>
  <g>
    <rect
      v-if="look.cloud > 0"
      :x="-6"
      :y="level"
      :width="width + 12"
      :height="bottom - level"
      fill="#fffdf2"
      :fill-opacity="0.14 * look.cloud"
    />
    <circle
      v-for="(one, index) in bubbles"
      :key="index"
      :cx="one.x"
      :cy="one.y"
      :r="2.2 * big"
      fill="#fff"
      fill-opacity="0.7"
    />
    <path v-if="look.bared > 0.1" :d="bared" fill="#b86a3a" stroke="#7d2b18" />
    <rect
      v-if="look.foam > 0"
      :x="-6"
      :y="level - foamPx"
      :width="width + 12"
      :height="foamPx"
      fill="#f6efdf"
      fill-opacity="0.9"
      rx="4"
    />
    <path v-if="look.cover && !fur" :d="film" fill="#fbf8ee" stroke="#8b8670" stroke-width="0.800" />
    <template v-if="fur">
      <g v-for="(tuft, index) in tufts" :key="index">
        <ellipse :cx="tuft.x" :cy="level" :rx="7 * big" :ry="3.5 * big" fill="#7b917a" />
        <path :d="hairs(tuft)" stroke="#4f6b4c" fill="none" />
      </g>
    </template>
  </g>
</template>
