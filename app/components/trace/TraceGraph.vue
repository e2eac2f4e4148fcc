<script setup lang="ts">
import { computed } from 'vue'
import { counted, formatMass, type Trace } from '@lactofer/core'
import type { TraceShown } from './traceOption'
import type { TellingPoint } from '~/composables/useDrawnChart'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/** From whom, through which jars, to where: the width of a stream is its weight. A click on a lot goes there. */
const { trace, selfId } = defineProps<{ trace: Trace; selfId: string }>()
const emit = defineEmits<{ open: [lotId: string] }>()
const book = useBook()
const preferences = usePreferences()
type Node = Trace['nodes'][number]

/** The same thing from the same hands is one node of the picture, whatever it went into; the list tells each apart. */
const keyOf = ({ id, kind, name, from }: Node): string => (kind === 'delivery' ? `in:${name}:${from}` : id)
/** A lot's name with its mark: what stands on eye and tongue alone is told wherever it goes. */
const labelOf = ({ kind, code, name, lot, from }: Node) =>
  kind === 'lot'
    ? `{code|${code}} ${name}${lot && book.homeMark(lot.id) ? ` (${book.homeMark(lot.id)})` : ''}`
    : `${name}${kind === 'delivery' && from ? `, ${from}` : ''}`
const streams = computed(() => {
  const keys = new Map(trace.nodes.map((node) => [node.id, keyOf(node)]))
  return trace.edges.map((edge) => ({ ...edge, from: keys.get(edge.from) ?? '', to: keys.get(edge.to) ?? '' }))
})
/** Nodes by their key, those that something flows through. */
const nodes = computed(() => {
  const used = new Set(streams.value.flatMap(({ from, to }) => [from, to]))
  return new Map(trace.nodes.map((node) => [keyOf(node), node] as const).filter(([key]) => used.has(key)))
})
const KINDS = ['delivery', 'lot', 'place'] as const
const height = computed(() =>
  Math.max(
    300,
    62 * Math.max(...KINDS.map((of) => [...nodes.value.values()].filter(({ kind }) => kind === of).length)),
  ),
)
const picture = computed(() => {
  const of: TraceShown = {
    nodes: [...nodes.value].map(([key, node]) => ({
      ...{ key, label: labelOf(node), kind: node.kind },
      ...{ color: node.lot?.color ?? null, self: node.id === selfId },
    })),
    streams: streams.value.map(({ from, to, massG }) => ({ from, to, massG })),
  }
  return { name: 'trace' as const, of }
})

const titleOf = (key: string) => [nodes.value.get(key)?.code, nodes.value.get(key)?.name].filter(Boolean).join(' ')
function tip({ stream, name }: TellingPoint): string {
  const flow = stream === undefined ? undefined : streams.value[stream]
  if (!flow) return titleOf(name)
  const amount = flow.bottles === null ? formatMass(flow.massG, preferences.world) : counted(flow.bottles, 'bottle')
  return `${titleOf(flow.from)} → ${titleOf(flow.to)}: ${amount}`
}
function open({ name }: TellingPoint) {
  const node = nodes.value.get(name)
  if (node?.lot) emit('open', node.id)
}
</script>

<template>
  <div class="graph" tabindex="0" role="group" aria-label="The streams, to be pushed sideways">
    <ChartBase
      :picture="picture"
      :tip="tip"
      :height-px="height"
      label="Where it came from and where it went, as streams; the list below has every one of them."
      @choose="open"
    />
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
  cursor: pointer;
}
</style>
