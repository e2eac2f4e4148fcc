<script setup lang="ts">
import type { SenseQuestion } from '@lactofer/core'

/** An answer drawn: a jar from the side, or a tongue, and how much of it. Drawn for Lactofer. */
defineProps<{ question: SenseQuestion; step: number }>()
/** Bubbles spread evenly: the golden and the plastic ratio never fall in step. */
const dots = (count: number) =>
  Array.from({ length: count }, (_, index) => ({
    x: 12 + 36 * (((index + 2) * 0.618) % 1),
    y: 20 + 26 * (((index + 2) * 0.7549) % 1),
    r: 1.6 + (index % 3) * 0.7,
  }))
const BUBBLES = [0, 3, 8, 16] as const
</script>

<template>
  <svg viewBox="0 0 60 56" aria-hidden="true">
    <g v-if="question === 'sour'">
      <path d="M12,8 H48 V30 Q48,50 30,50 Q12,50 12,30 Z" class="tongue" />
      <path d="M30,12 V36" class="line" />
      <circle
        v-for="index in 4"
        :key="index"
        :cx="18 + (index - 1) * 8"
        :cy="index % 2 ? 20 : 28"
        r="3.4"
        :class="index <= step ? 'sharp' : 'mild'"
      />
    </g>
    <g v-else>
      <path d="M14,3 H46 V9 Q53,12 53,20 V53 H7 V20 Q7,12 14,9 Z" class="glass" />
      <g v-if="question === 'one mass'">
        <path v-if="step === 0" d="M7,18 H53 V53 H7 Z" class="mash" />
        <template v-else>
          <path d="M7,14 Q30,6 53,14 V32 Q30,37 7,32 Z" class="mash" />
          <path d="M7,34 Q30,39 53,34 V53 H7 Z" class="brine" />
        </template>
      </g>
      <g v-else>
        <path d="M7,18 H53 V53 H7 Z" :class="['brine', `cloud-${question === 'cloud' ? step : 0}`]" />
        <g class="food">
          <circle v-for="x in [17, 30, 43]" :key="x" :cx="x" cy="44" r="5.5" />
        </g>
        <g v-if="question === 'bubbles'" class="bubble">
          <circle v-for="(dot, index) in dots(BUBBLES[step] ?? 0)" :key="index" :cx="dot.x" :cy="dot.y" :r="dot.r" />
          <path v-if="step === 1" d="M1,30 l4,-3 m-4,9 l4,-1 M59,30 l-4,-3 m4,9 l-4,-1" class="line" />
          <path v-if="step === 3" d="M8,17 q5,-6 10,0 t10,0 t10,0 t14,0" class="froth" />
        </g>
      </g>
    </g>
  </svg>
</template>

<style scoped>
svg {
  width: 48px;
  height: 45px;
  flex: none;
}
.glass {
  fill: var(--enamel);
  stroke: var(--outline);
  stroke-width: 1.6;
}
.brine {
  fill: #d9e4c3;
}
.cloud-1 {
  fill: #dfdfc4;
}
.cloud-2 {
  fill: #f1ecd9;
}
.food,
.mash {
  fill: #c4512f;
}
.cloud-2 + .food {
  opacity: 0.3;
}
.cloud-1 + .food {
  opacity: 0.65;
}
.bubble circle {
  fill: #ffffff;
  stroke: #55645d;
  stroke-width: 0.9;
}
.froth {
  fill: none;
  stroke: #ffffff;
  stroke-width: 3;
}
.line {
  fill: none;
  stroke: var(--muted);
  stroke-width: 1.4;
  stroke-linecap: round;
}
.tongue {
  fill: #e7a79c;
  stroke: #9a5a50;
  stroke-width: 1.4;
}
.mild {
  fill: #f3cfc8;
}
.sharp {
  fill: var(--acid);
}
</style>
