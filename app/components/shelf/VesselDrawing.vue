<script setup lang="ts">
import { computed, useId } from 'vue'
import type { Closure, JarLook, VesselKind } from '@lactofer/core'

/**
 * A vessel to scale, drawn from data: shape, fill line, colour of the produce, closure, tape with code and day, HOT
 * as a red band.
 */
const {
  vessel,
  fraction,
  scale,
  closure,
  bare = false,
  layers,
  limit,
  look,
} = defineProps<{
  vessel: VesselKind
  fraction: number
  color: string
  closure: Closure
  code: string
  day: string
  hot: boolean
  scale: number
  bare?: boolean
  /** What lies in it, from the bottom; where it is not one mass. */
  layers?: readonly { name: string; color: string; share: number }[] | undefined
  /** How full it may be, a share of its brim. */
  limit?: number | undefined
  /** How it looks, where that is known: foam, film, cloud, a blown lid. */
  look?: JarLook | undefined
}>()
const clip = useId()

const width = computed(() => Math.max(30, vessel.widthMm * scale))
const height = computed(() => Math.max(40, vessel.heightMm * scale))
const HEAD = 22
const outline = computed(() => {
  const w = width.value
  const h = height.value
  const y = HEAD
  switch (vessel.shape) {
    case 'jar':
      return `M${w * 0.13},${y} H${w * 0.87} V${y + h * 0.05} Q${w},${y + h * 0.08} ${w},${y + h * 0.2} V${y + h - 6} Q${w},${y + h} ${w - 6},${y + h} H6 Q0,${y + h} 0,${y + h - 6} V${y + h * 0.2} Q0,${y + h * 0.08} ${w * 0.13},${y + h * 0.05} Z`
    case 'crock':
      return `M${w * 0.06},${y} H${w * 0.94} Q${w * 1.02},${y + h * 0.5} ${w * 0.86},${y + h} H${w * 0.14} Q${-w * 0.02},${y + h * 0.5} ${w * 0.06},${y} Z`
    case 'bucket':
      return `M0,${y} H${w} L${w * 0.9},${y + h} H${w * 0.1} Z`
    case 'drum':
      return `M0,${y} H${w} V${y + h} H0 Z`
    case 'bag':
      return `M${w * 0.03},${y + 4} Q${w / 2},${y - 6} ${w * 0.97},${y + 4} Q${w * 1.02},${y + h * 0.5} ${w * 0.97},${y + h} H${w * 0.03} Q${-w * 0.02},${y + h * 0.5} ${w * 0.03},${y + 4} Z`
  }
  return ''
})
/** Gas lifts what is in it, and what ran over is missing. */
const level = computed(() => heightOf(fraction * (look?.level ?? 1)))
/** Where a share of its brim lies on the drawing. */
const heightOf = (share: number) =>
  HEAD + height.value * (1 - Math.min(1, Math.max(0, share)) * (vessel.shape === 'jar' ? 0.95 : 1))
const strata = computed(() => {
  let below = 0
  return (layers ?? []).map(({ color: of, share }) => {
    const bottom = HEAD + height.value - below * (HEAD + height.value - level.value)
    below += share
    const top = HEAD + height.value - below * (HEAD + height.value - level.value)
    return { color: of, y: top, height: bottom - top }
  })
})
const lid = computed(() =>
  vessel.shape === 'jar' ? { x: width.value * 0.1, width: width.value * 0.8 } : { x: -2, width: width.value + 4 },
)
const tapeWidth = computed(() => Math.max(58, Math.min(width.value * 0.8, 190)))
/** The tape grows with its vessel: what is drawn large is read from afar. */
const grown = computed(() => Math.max(1, Math.min(tapeWidth.value / 80, (height.value * 0.3) / 35)))
const box = computed(() => Math.max(width.value, bare ? 0 : tapeWidth.value) + 8)
const left = computed(() => (box.value - width.value) / 2)
/** Where the tape begins; where something is to be seen on top, under it. */
const tapeTop = computed(() => {
  const usual = HEAD + height.value * 0.56 - 18 * grown.value
  const lowest = HEAD + height.value - 40 * grown.value
  return look ? Math.max(usual, Math.min(lowest, level.value + 8 * grown.value)) : usual
})
/** A cloth over the mouth, sagging at the sides. */
const cloth = computed(() => {
  const [right, middle] = [width.value + 3, width.value / 2]
  return `M-3,${HEAD + 12} Q${middle},${HEAD - 12} ${right},${HEAD + 12} V${HEAD - 2} Q${middle},${HEAD - 9} -3,${HEAD - 2} Z`
})
</script>

<template>
  <svg
    :style="{ '--grown': grown }"
    :width="box"
    :height="height + HEAD + 2"
    :viewBox="`${-left} 0 ${box} ${height + HEAD + 2}`"
    aria-hidden="true"
  >
    <clipPath :id="clip"><path :d="outline" /></clipPath>
    <path :d="outline" fill="var(--glass)" />
    <g :clip-path="`url(#${clip})`">
      <rect :x="-6" :y="level" :width="width + 12" :height="height + HEAD - level" :fill="color" />
      <rect
        v-for="(layer, index) in strata"
        :key="index"
        :x="-6"
        :y="layer.y"
        :width="width + 12"
        :height="layer.height"
        :fill="layer.color"
        stroke="#0003"
      />
      <line :x1="-6" :x2="width + 6" :y1="level" :y2="level" stroke="#0003" stroke-width="2" />
      <VesselLook v-if="look" :look="look" :width="width" :level="level" :bottom="height + HEAD" />
      <rect
        v-if="vessel.shape === 'jar'"
        :x="width * 0.09"
        :y="HEAD + height * 0.2"
        width="3"
        :height="height * 0.62"
        fill="#fff9"
        rx="1.500"
      />
    </g>
    <line
      v-if="limit !== undefined"
      :x1="-4"
      :x2="width + 4"
      :y1="heightOf(limit)"
      :y2="heightOf(limit)"
      stroke="var(--act)"
      stroke-width="2"
      stroke-dasharray="5 4"
    />
    <path :d="outline" fill="none" stroke="var(--outline)" stroke-width="1.600" />
    <template v-if="vessel.shape !== 'bag'">
      <template v-if="closure === 'cloth'"><path :d="cloth" fill="#e8e2d2" stroke="var(--outline)" /></template>
      <path
        v-else-if="look && look.blown > 0.3"
        :d="`M${lid.x},${HEAD + 1} q${lid.width / 2},${-24 * look.blown} ${lid.width},0 Z`"
        :fill="hot ? 'var(--heat)' : 'var(--lid)'"
      />
      <rect
        v-else
        :x="lid.x"
        :y="HEAD - 8"
        :width="lid.width"
        height="9"
        :fill="hot ? 'var(--heat)' : 'var(--lid)'"
        rx="1"
      />
      <path
        v-if="closure === 'clip'"
        :d="`M${lid.x - 3},${HEAD + 8} V${HEAD - 10} H${lid.x + lid.width + 3} V${HEAD + 8}`"
        fill="none"
        stroke="var(--outline)"
        stroke-width="1.600"
      />
      <path
        v-if="closure === 'airlock'"
        :d="`M${width / 2},${HEAD - 8} v-7 m-4,0 h8 v-7 h-8 z`"
        fill="var(--glass)"
        stroke="var(--outline)"
        stroke-width="1.400"
      />
    </template>
    <g v-if="!bare" :transform="`rotate(-1.500 ${width / 2} ${tapeTop})`">
      <rect
        :x="(width - tapeWidth) / 2"
        :y="tapeTop"
        :width="tapeWidth"
        :height="35 * grown"
        fill="var(--tape)"
        stroke="#0002"
      />
      <text :x="width / 2" :y="tapeTop + 15 * grown" class="tape">{{ code }}</text>
      <text :x="width / 2" :y="tapeTop + 29 * grown" class="tape day">{{ day }}</text>
    </g>
    <g v-if="hot && !bare">
      <rect
        :x="(width - tapeWidth) / 2 + 6"
        :y="tapeTop + 37 * grown"
        :width="tapeWidth - 12"
        :height="17 * grown"
        fill="#b32c10"
        stroke="#fff"
        stroke-width="1.500"
        rx="2"
      />
      <text :x="width / 2" :y="tapeTop + 50 * grown" class="tape hot">HOT</text>
    </g>
  </svg>
</template>

<style scoped>
svg {
  display: block;
  overflow: visible;
}
.tape {
  font: 700 calc(13px * var(--grown)) var(--display);
  font-stretch: 76%;
  text-anchor: middle;
  fill: var(--tape-ink);
}
.day {
  font-weight: 560;
}
.hot {
  fill: #fff;
  letter-spacing: 0.04em;
}
</style>
