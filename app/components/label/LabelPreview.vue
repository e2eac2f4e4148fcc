<script setup lang="ts">
import type { LabelLayout } from '~/labels/labelLayout'

/** A label as it will be printed: the same marks at the same places, in the same face. */
const { layout, code, text } = defineProps<{
  layout: LabelLayout
  /** What cameras read: squares a side, and a path of them. */
  code: { size: number; path: string }
  text: string
}>()
</script>

<template>
  <svg
    class="label"
    :viewBox="`0 0 ${layout.width} ${layout.height}`"
    role="img"
    :aria-label="`Label: ${text}`"
    data-label-preview
  >
    <template v-for="(mark, index) in layout.marks" :key="index">
      <svg
        v-if="mark.kind === 'code'"
        :x="mark.x"
        :y="mark.y"
        :width="mark.side"
        :height="mark.side"
        :viewBox="`0 0 ${code.size} ${code.size}`"
        shape-rendering="crispEdges"
      >
        <path :d="code.path" />
      </svg>
      <text
        v-else
        :x="mark.x"
        :y="mark.y"
        :font-size="mark.size"
        :font-weight="mark.bold ? 700 : 400"
        :textLength="mark.width"
        lengthAdjust="spacing"
      >
        {{ mark.text }}
      </text>
    </template>
  </svg>
</template>

<style scoped>
.label {
  width: 100%;
  max-height: 440px;
  background: #fff;
  color: #14211c;
  border: 1px solid var(--outline);
  display: block;
}
text {
  font-family: 'Label print', var(--text);
  font-kerning: none;
  font-variant: normal;
  font-variant-ligatures: none;
  font-variant-numeric: normal;
  fill: #14211c;
  white-space: pre;
}
path {
  fill: #14211c;
}
</style>
