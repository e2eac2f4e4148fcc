<script setup lang="ts">
import type { SignId } from '@lactofer/core'

/** A sign drawn: the neck of a jar from the side, and what to look for in it. Drawn for Lactofer. */
defineProps<{ sign: SignId }>()
/** Dots spread evenly: the golden and the plastic ratio never fall in step. */
const dots = (count: number, seed: number) =>
  Array.from({ length: count }, (_, index) => ({
    x: 15 + 70 * (((index + seed) * 0.618) % 1),
    y: 34 * (((index + seed) * 0.7549) % 1),
  }))
</script>

<template>
  <svg viewBox="0 0 100 84" aria-hidden="true">
    <g v-if="sign === 'bag ballooned'">
      <path d="M14,20 Q50,-6 86,20 Q98,46 84,74 Q50,86 16,74 Q2,46 14,20 Z" class="glass" />
      <path d="M10,54 Q50,46 90,54 Q90,66 84,74 Q50,86 16,74 Q10,66 10,54 Z" class="brine" />
      <path d="M22,30 Q14,44 22,58 M78,30 Q86,44 78,58" class="line" />
      <rect x="30" y="8" width="40" height="6" class="seal" />
    </g>
    <g v-else>
      <path d="M20,2 H80 V14 Q92,18 92,30 V82 H8 V30 Q8,18 20,14 Z" class="glass" />
      <path
        :d="sign === 'not covered' ? 'M8,62 H92 V82 H8 Z' : 'M8,36 H92 V82 H8 Z'"
        :class="['brine', { milky: sign === 'cloud', pinkish: sign === 'pink colour' }]"
      />
      <g class="food">
        <circle
          v-for="(dot, index) in dots(7, 3)"
          :key="index"
          :cx="dot.x"
          :cy="(sign === 'floaters' ? 26 : 52) + dot.y * 0.7"
          r="7"
        />
      </g>
      <g v-if="sign === 'bubbles'" class="bubble">
        <circle v-for="(dot, index) in dots(9, 1)" :key="index" :cx="dot.x" :cy="38 + dot.y" :r="2 + (index % 3)" />
      </g>
      <g v-else-if="sign === 'foam'" class="froth">
        <circle
          v-for="(dot, index) in dots(20, 2)"
          :key="index"
          :cx="dot.x"
          :cy="24 + dot.y * 0.36"
          :r="4 + (index % 4)"
        />
      </g>
      <g v-else-if="sign === 'white film'">
        <path d="M8,33 Q18,27 28,33 T48,33 T68,33 T92,33 V42 H8 Z" class="film" />
        <path d="M18,37 q8,-5 16,0 M48,37 q8,-5 16,0 M72,36 q6,-4 12,0" class="line" />
      </g>
      <g v-else-if="sign === 'fuzzy growth'">
        <path
          v-for="(x, index) in [22, 44, 74]"
          :key="x"
          :d="`M${x - 9},36 q9,-${14 + index * 3} 18,0 Z`"
          class="fuzz"
        />
        <path
          v-for="index in 22"
          :key="`h${index}`"
          :d="`M${14 + index * 3.2},34 l${(index % 3) - 1},-${8 + (index % 4) * 2}`"
          class="hair"
        />
      </g>
      <g v-else-if="sign === 'specks'" class="speck">
        <circle v-for="(dot, index) in dots(9, 5)" :key="index" :cx="dot.x" :cy="6 + dot.y * 0.6" r="2.200" />
      </g>
      <g v-else-if="sign === 'sediment'"><path d="M8,72 Q28,67 50,72 T92,71 V82 H8 Z" class="film" /></g>
      <g v-else-if="sign === 'slime'">
        <path d="M34,8 q4,20 0,34 M44,4 q-4,24 2,40 M54,8 q4,18 -2,34" class="rope" />
        <path d="M24,2 h42 q0,12 -20,12 t-22,-12" class="spoon" />
      </g>
      <g v-else-if="sign === 'putrid smell'">
        <path d="M34,26 q-8,-7 0,-13 t0,-11 M50,26 q-8,-7 0,-13 t0,-11 M66,26 q-8,-7 0,-13 t0,-11" class="smell" />
      </g>
      <g v-else-if="sign === 'pink colour'">
        <path
          d="M12,36 q10,-5 22,0 q8,6 -4,7 q-16,2 -18,-7 Z M58,36 q14,-5 26,1 q2,8 -12,6 q-14,0 -14,-7 Z"
          class="pink"
        />
      </g>
      <g v-else-if="sign === 'squeezed'">
        <path d="M2,6 q26,8 40,30 M98,6 q-26,8 -40,30" class="finger" />
        <ellipse cx="50" cy="40" rx="12" ry="9" class="mush" />
      </g>
      <g v-else-if="sign === 'soft'">
        <path d="M30,56 q8,-6 18,0 q12,8 24,0 q-2,18 -22,16 q-20,0 -20,-16 Z" class="mush" />
      </g>
      <g v-else-if="sign === 'tight lid'">
        <path d="M18,4 Q50,-10 82,4 V12 H18 Z" class="lid" />
        <path d="M40,30 v-10 m-4,4 l4,-5 l4,5 M60,30 v-10 m-4,4 l4,-5 l4,5" class="line" />
      </g>
      <g v-else-if="sign === 'blue garlic'">
        <path
          v-for="(x, index) in [26, 50, 72]"
          :key="x"
          :d="`M${x},${50 + index * 5} q9,3 6,14 q-6,5 -12,0 q-3,-11 6,-14 Z`"
          class="blue"
        />
      </g>
      <g v-else-if="sign === 'salt crystals'" class="salt">
        <rect
          v-for="(dot, index) in dots(12, 4)"
          :key="index"
          :x="dot.x"
          :y="8 + dot.y * 0.7"
          width="4.5"
          height="4.5"
          transform="rotate(12 50 20)"
        />
      </g>
      <g v-else-if="sign === 'calm'">
        <path d="M8,38 H92 V82 H8 Z" class="mush" />
        <path d="M30,38 q20,10 40,0" class="line" />
      </g>
      <g v-else-if="sign === 'no bubbles'">
        <circle cx="50" cy="56" r="12" class="none" />
        <path d="M42,64 l16,-16" class="none" />
      </g>
      <path d="M20,2 H80 V14 Q92,18 92,30 V82 H8 V30 Q8,18 20,14 Z" class="edge" />
    </g>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  height: auto;
  display: block;
}
.glass {
  fill: var(--glass);
  stroke: var(--outline);
  stroke-width: 2;
}
.edge {
  fill: none;
  stroke: var(--outline);
  stroke-width: 2;
}
.brine {
  fill: #d9a441;
  fill-opacity: 0.55;
}
.milky {
  fill: #e9e2c8;
  fill-opacity: 0.95;
}
.pinkish {
  fill: #d9a441;
}
.food circle {
  fill: #b8452a;
  fill-opacity: 0.85;
}
.bubble circle {
  fill: #fff;
  fill-opacity: 0.85;
  stroke: var(--outline);
}
.froth circle {
  fill: #fbf6e6;
  stroke: #9a8f6a;
  stroke-width: 0.8;
}
.film {
  fill: #fbf8ee;
  stroke: #8b8670;
  stroke-width: 1;
}
.fuzz {
  fill: #6f8f6a;
}
.hair {
  stroke: #4f6b4c;
  stroke-width: 1.4;
  fill: none;
}
.speck circle {
  fill: #241a14;
}
.rope {
  stroke: #cdbf8f;
  stroke-width: 4;
  fill: none;
  stroke-linecap: round;
}
.spoon {
  fill: #9aa5a8;
  stroke: var(--outline);
}
.smell {
  stroke: #7d8a52;
  stroke-width: 3;
  fill: none;
  stroke-linecap: round;
}
.pink {
  fill: #d64d84;
}
.mush {
  fill: #a5633f;
}
.line {
  stroke: var(--outline);
  stroke-width: 1.6;
  fill: none;
  opacity: 0.7;
}
.finger {
  stroke: #c98f6b;
  stroke-width: 11;
  fill: none;
  stroke-linecap: round;
}
.none {
  stroke: var(--outline);
  stroke-width: 4;
  fill: none;
}
.lid {
  fill: #9aa5a8;
  stroke: var(--outline);
  stroke-width: 2;
}
.blue {
  fill: #4f93a6;
  stroke: #2f6474;
  stroke-width: 1.2;
}
.salt rect {
  fill: #fff;
  stroke: #8b8670;
  stroke-width: 0.9;
}
.seal {
  fill: var(--lid);
}
</style>
