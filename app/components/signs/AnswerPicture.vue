<script setup lang="ts">
import type { AnswerPicture } from '@lactofer/core'

/** An answer drawn: a film seen from the side, or a piece between two fingers. Drawn for Lactofer. */
defineProps<{ picture: AnswerPicture }>()
const FILMS = ['veil', 'skin', 'islands', 'fur']
/** How far the fingers come in, and how flat the piece gives. */
const GIVES = { firm: { in: 0, flat: 15 }, holds: { in: 6, flat: 10 }, mush: { in: 11, flat: 6 } } as const
</script>

<template>
  <svg viewBox="0 0 96 56" aria-hidden="true">
    <g v-if="FILMS.includes(picture)">
      <path d="M2,26 H94 V54 H2 Z" class="brine" />
      <path v-if="picture === 'veil'" d="M2,24 H94 V28 H2 Z" class="film" />
      <path
        v-else-if="picture === 'skin'"
        d="M2,26 q6,-9 12,0 t12,0 t12,0 t12,0 t12,0 t12,0 t12,0 t8,-2 V31 H2 Z"
        class="film"
      />
      <template v-else-if="picture === 'islands'">
        <path d="M2,25 H94 V29 H2 Z" class="film" />
        <path
          d="M8,25 q2,-13 15,-12 q12,0 13,12 Z M46,25 q4,-9 11,-8 q8,0 9,8 Z M74,25 q3,-12 10,-11 q8,1 8,11 Z"
          class="film"
        />
      </template>
      <template v-else>
        <path d="M10,26 q10,-16 24,0 Z M52,26 q14,-20 30,0 Z" class="fuzz" />
        <path
          v-for="index in 13"
          :key="index"
          :d="`M${(index < 6 ? 9 : 16) + index * 5},22 l${(index % 3) - 1},-${9 + (index % 4) * 2}`"
          class="hair"
        />
      </template>
    </g>
    <g v-else-if="picture === 'firm' || picture === 'holds' || picture === 'mush'">
      <ellipse cx="48" cy="28" :rx="picture === 'mush' ? 27 : 20" :ry="GIVES[picture].flat" class="piece" />
      <template v-if="picture === 'mush'">
        <circle cx="16" cy="40" r="4" class="piece" />
        <circle cx="78" cy="42" r="5" class="piece" />
        <circle cx="84" cy="22" r="3" class="piece" />
      </template>
      <path :d="`M48,-14 V${6 + GIVES[picture].in}`" class="finger" />
      <path :d="`M48,70 V${50 - GIVES[picture].in}`" class="finger" />
    </g>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  height: auto;
  display: block;
  background: var(--surface);
  border-radius: 3px;
}
.brine {
  fill: #d9a441;
  fill-opacity: 0.55;
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
.piece {
  fill: #b8452a;
  stroke: #7d2b18;
}
.finger {
  stroke: #c98f6b;
  stroke-width: 17;
  stroke-linecap: round;
}
</style>
