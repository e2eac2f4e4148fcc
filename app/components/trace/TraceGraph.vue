<script setup lang="ts">
import { computed } from 'vue'
import { use } from 'echarts/core'
import { SankeyChart } from 'echarts/charts'
import { TooltipComponent } from 'echarts/components'
import { SVGRenderer } from 'echarts/renderers'
import VChart from 'vue-echarts'
import { formatMass, type Trace } from '@lactofer/core'
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
const byId = computed(() => new Map(trace.nodes.map((node) => [node.id, node])))
const height = computed(() =>
  Math.max(
    300,
    46 *
      Math.max(...['delivery', 'lot', 'place'].map((kind) => trace.nodes.filter((node) => node.kind === kind).length)),
  ),
)
const option = computed(() => {
  const { ink, line, surface, muted, bottle } = { ...tones.value, bottle: tones.value.temperature }
  const used = new Set(trace.edges.flatMap(({ from, to }) => [from, to]))
  return {
    animation: false,
    tooltip: {
      trigger: 'item' as const,
      backgroundColor: surface,
      borderColor: line,
      textStyle: { color: ink },
      formatter: (hit: unknown) => {
        const { dataType, name, data } = hit as {
          dataType: string
          name: string
          data: { source: string; target: string; value: number; bottles: number | null }
        }
        const title = (id: string) =>
          [byId.value.get(id)?.code, byId.value.get(id)?.name].filter(Boolean).join(' ').replace(/[<>&]/g, '')
        return dataType === 'edge'
          ? `${title(data.source)} → ${title(data.target)}<br>${data.bottles === null ? formatMass(data.value, preferences.world) : `${data.bottles} bottles`}`
          : title(name)
      },
    },
    series: [
      {
        type: 'sankey' as const,
        left: 4,
        right: 160,
        top: 8,
        bottom: 8,
        nodeWidth: 14,
        nodeGap: 14,
        draggable: false,
        layoutIterations: 48,
        emphasis: { focus: 'trajectory' as const },
        data: trace.nodes
          .filter((node) => used.has(node.id))
          .map((node) => ({
            name: node.id,
            itemStyle: {
              color: node.lot?.color ?? (node.kind === 'place' ? bottle : muted),
              borderColor: node.id === selfId ? ink : line,
              borderWidth: node.id === selfId ? 2.5 : 1,
            },
            label: {
              color: ink,
              fontFamily: 'Atkinson Hyperlegible Next Variable',
              fontSize: 13,
              width: 186,
              overflow: 'truncate' as const,
              formatter: `${node.kind === 'lot' ? named(node) : node.kind === 'delivery' && node.from ? `${node.name}, ${node.from}` : node.name}`,
              rich: { code: { fontFamily: 'Archivo Variable', fontWeight: 700, fontSize: 13 } },
            },
          })),
        links: trace.edges.map(({ from, to, massG, bottles }) => ({ source: from, target: to, value: massG, bottles })),
        lineStyle: { color: 'source' as const, opacity: 0.35, curveness: 0.5 },
      },
    ],
  }
})
function open({ name }: { name?: string }) {
  const node = byId.value.get(name ?? '')
  if (node?.lot) emit('open', node.id)
}
</script>

<template>
  <div
    class="graph"
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
