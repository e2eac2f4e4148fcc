<script setup lang="ts">
import { computed, useTemplateRef } from 'vue'
import type { Property, Target } from '@lactofer/core'
import { END_WORDS, endLimits, ENDS, TARGET_FIELDS, type End } from '~/forms/blendForm'
import { RULERS, stepped } from './rulers'

/**
 * The two ends of a target as grips on its ruler: dragged, or stepped with the arrow keys; drawn off the scale, or
 * with Delete, an end is open.
 */
const target = defineModel<Target>({ required: true })
const { property, now } = defineProps<{
  property: Property
  /** What the pot has: an open end that is stepped begins there. */
  now: number | null
}>()
const ARROWS: Record<string, number> = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }

const area = useTemplateRef('area')
const ruler = computed(() => RULERS[property])
const shareOf = (end: End) => {
  const value = target.value[end]
  return value === null ? Number(end === 'high') : Math.min(1, Math.max(0, ruler.value.share(value)))
}
const put = (end: End, value: number | null) => (target.value = { ...target.value, [end]: value })

function drag(event: PointerEvent, end: End) {
  if (!(event.currentTarget as HTMLElement).hasPointerCapture(event.pointerId) || !area.value) return
  const { left, width } = area.value.getBoundingClientRect()
  const share = (event.clientX - left) / width
  // Only its own side of the scale opens an end: past the other one it stops there.
  const isOff = end === 'low' ? share <= 0 : share >= 1
  put(end, isOff ? null : stepped(property, ruler.value.at(share), 0, endLimits(property, target.value, end)))
}
function grab(event: PointerEvent) {
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
}
function press(event: KeyboardEvent, end: End) {
  const way = ARROWS[event.key]
  if (way !== undefined)
    put(
      end,
      stepped(
        property,
        target.value[end] ?? now ?? ruler.value.at(shareOf(end)),
        way,
        endLimits(property, target.value, end),
      ),
    )
  else if (event.key === 'Delete' || event.key === 'Backspace') put(end, null)
  else return
  event.preventDefault()
}
</script>

<template>
  <div ref="area" class="area">
    <div
      v-for="end in ENDS"
      :key="end"
      role="slider"
      tabindex="0"
      :class="['grip', end, { open: target[end] === null }]"
      :style="{ left: `${100 * shareOf(end)}%` }"
      :aria-label="`${ruler.name}, ${END_WORDS[end]}, on the ruler`"
      :aria-valuemin="TARGET_FIELDS[property].low"
      :aria-valuemax="TARGET_FIELDS[property].high"
      :aria-valuenow="target[end] ?? ruler[end]"
      :aria-valuetext="target[end] === null ? 'open' : `${ruler.write(target[end])} ${ruler.unit}`"
      @pointerdown="grab"
      @pointermove="drag($event, end)"
      @keydown="press($event, end)"
    />
  </div>
</template>

<style scoped>
.area {
  position: absolute;
  inset: 0;
  pointer-events: none;
}
/* A touch area beside its end of the band, so that the two never lie on each other. */
.grip {
  position: absolute;
  top: -5px;
  width: 44px;
  height: 44px;
  pointer-events: auto;
  touch-action: none;
  cursor: ew-resize;
  border-radius: var(--radius);
}
.low {
  transform: translateX(-40px);
}
.high {
  transform: translateX(-4px);
}
/* A tab that leaves the mark of the pot in view. */
.grip::after {
  content: '';
  position: absolute;
  top: 6px;
  width: 14px;
  height: 16px;
  border: 2px solid var(--tone);
  background: var(--tone);
}
.low::after {
  right: 3px;
  border-radius: 7px 0 0 7px;
}
.high::after {
  left: 3px;
  border-radius: 0 7px 7px 0;
}
/* An open end lies at the edge of the scale, and turns inwards. */
.open.low {
  transform: translateX(-4px);
}
.open.high {
  transform: translateX(-40px);
}
.open.low::after {
  left: 3px;
  right: auto;
  border-radius: 0 7px 7px 0;
}
.open.high::after {
  left: auto;
  right: 3px;
  border-radius: 7px 0 0 7px;
}
.open::after {
  background: var(--enamel);
}
</style>
