<script setup lang="ts">
import { ref, shallowRef, useTemplateRef, watch } from 'vue'
import { useWidth } from '~/composables/useWidth'
import { useDrawnChart, type Picture, type TellingPoint } from '~/composables/useDrawnChart'

/** Every chart: its picture, its size, what it says to whoever does not see it, its figures as a table. */
const {
  picture,
  tip,
  label,
  heightPx,
  figure,
  tableName = 'the figures as a table',
} = defineProps<{
  picture: Picture
  /** What a point says when it is pointed at. */
  tip?: ((point: TellingPoint) => string) | undefined
  /** A sentence in place of the picture. */
  label: string
  heightPx: number
  /** Its name in the data. */
  figure?: string | undefined
  tableName?: string
}>()
const emit = defineEmits<{ choose: [point: TellingPoint] }>()
/** A finger hits a point from so far, px. */
const NEAR_PX = 22

const paper = useTemplateRef<HTMLElement>('paper')
const width = useWidth(figure ?? label, paper)
const { drawn, problem } = useDrawnChart(() => picture, { width, height: () => heightPx })
const shown = ref(false)
watch(drawn, (now) => {
  const svg = now && new DOMParser().parseFromString(now.svg, 'image/svg+xml').documentElement
  if (svg) paper.value?.replaceChildren(document.importNode(svg, true))
  shown.value = !!svg
  pointed.value = null
})

const pointed = shallowRef<TellingPoint | null>(null)
/** The nearest point that says something, where one is near. */
function nearest({ clientX, clientY }: MouseEvent): TellingPoint | null {
  const box = paper.value!.getBoundingClientRect()
  const [left, top] = [clientX - box.left, clientY - box.top]
  const past = (at: number, from: number, long: number) => Math.max(from - at, 0, at - from - long)
  const away = ({ x, y, width: wide, height: high }: TellingPoint) =>
    Math.hypot(past(left, x, wide), past(top, y, high))
  const near = drawn.value?.points.filter((one) => away(one) <= NEAR_PX).sort((a, b) => away(a) - away(b))
  return near?.[0] ?? null
}
const point = (event: PointerEvent) => void (pointed.value = nearest(event))
/** A finger leaves as it is lifted: what it pointed at stays to be read. */
function leave({ pointerType }: PointerEvent) {
  if (pointerType === 'mouse') pointed.value = null
}
function choose(event: MouseEvent) {
  const near = nearest(event)
  if (near) emit('choose', near)
}
</script>

<template>
  <div class="whole">
    <div class="frame" :data-drawn="shown" :data-figure="figure">
      <div
        ref="paper"
        class="paper"
        :style="{ height: `${heightPx}px` }"
        role="img"
        :aria-label="label"
        @pointermove="point"
        @pointerdown="point"
        @pointerleave="leave"
        @click="choose"
      />
      <p
        v-if="pointed && tip"
        class="tip small"
        :class="{ left: pointed.x > width / 2 }"
        :style="{ left: `${pointed.x}px`, top: `${pointed.y}px` }"
      >
        {{ tip(pointed) }}
      </p>
    </div>
    <p v-if="problem" class="problem small" role="alert">{{ problem }}</p>
    <details v-if="$slots.table" class="disclose small">
      <summary>{{ tableName }}</summary>
      <slot name="table" />
    </details>
  </div>
</template>

<style scoped>
.whole {
  display: grid;
  gap: var(--s2);
}
.frame {
  position: relative;
}
/* What was drawn for a wider window does not keep the page wide. */
.paper {
  position: relative;
  overflow: hidden;
}
.paper :deep(svg) {
  position: absolute;
}
.tip {
  position: absolute;
  margin: 0;
  padding: 2px 8px;
  transform: translate(10px, -50%);
  width: max-content;
  max-width: 60%;
  background: var(--surface);
  border: 1px solid var(--line);
  border-radius: var(--radius);
  pointer-events: none;
}
.tip.left {
  transform: translate(calc(-100% - 10px), -50%);
}
summary {
  cursor: pointer;
  min-height: 32px;
  color: var(--bottle);
  font-weight: 600;
}
</style>
