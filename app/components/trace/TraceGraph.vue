<script setup lang="ts">
import { computed } from 'vue'
import { use } from 'echarts/core'
import { SankeyChart } from 'echarts/charts'
import { TooltipComponent } from 'echarts/components'
import { SVGRenderer } from 'echarts/renderers'
import VChart from 'vue-echarts'
import type { Trace } from '@lactofer/core'
import { keyOf, traceOption } from './traceOption'
import { useTones } from '~/composables/useTones'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/** From whom, through which jars, to where: the width of a stream is its weight. A click on a lot goes there. */
use([SankeyChart, TooltipComponent, SVGRenderer])
const { trace, selfId } = defineProps<{ trace: Trace; selfId: string }>()
const emit = defineEmits<{ open: [lotId: string] }>()
const tones = useTones()
const book = useBook()
/** A lot's name with its mark: what stands on eye and tongue alone is told wherever it goes. */
const named = ({ code, name, lot }: Trace['nodes'][number]) =>
  `{code|${code}} ${name}${lot && book.notMeasured(lot.id) ? ' (not measured)' : ''}`
const preferences = usePreferences()
const byId = computed(() => new Map(trace.nodes.map((node) => [keyOf(node), node])))
const streams = computed(() => {
  const keys = new Map(trace.nodes.map((node) => [node.id, keyOf(node)]))
  return trace.edges.map((edge) => ({ ...edge, from: keys.get(edge.from) ?? '', to: keys.get(edge.to) ?? '' }))
})
const KINDS = ['delivery', 'lot', 'place'] as const
const height = computed(() =>
  Math.max(
    300,
    62 * Math.max(...KINDS.map((kind) => [...byId.value.values()].filter((node) => node.kind === kind).length)),
  ),
)
const option = computed(() =>
  traceOption({ nodes: byId.value, streams: streams.value, selfId, named, world: preferences.world }, tones.value),
)
function open({ name }: { name?: string }) {
  const node = byId.value.get(name ?? '')
  if (node?.lot) emit('open', node.id)
}
</script>

<template>
  <div
    class="graph"
    tabindex="0"
    role="img"
    aria-label="Where it came from and where it went, as streams; the list below has every one of them."
  >
    <VChart :option="option" :style="{ height: `${height}px` }" autoresize @click="open" />
  </div>
</template>

<style scoped>
/* On a phone it is pushed sideways: squeezed, nobody could read it. */
.graph {
  min-width: 0;
  overflow-x: auto;
}
.graph > * {
  min-width: 960px;
}
</style>
