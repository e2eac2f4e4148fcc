<script setup lang="ts">
import { computed, ref, useId } from 'vue'
import { formatMass, ingredientLine, searchMaterials, type Material, type MaterialKind, type Row } from '@lactofer/core'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/**
 * Finds something to weigh in by any of its common names, or a lot in stock (first while nothing is typed); what
 * nobody knows is taken as unlisted produce. A line may bring its amount: "1.2 kg cayenne", "juice of 2 limes".
 */
const {
  label = 'Add an ingredient',
  kinds,
  lots = true,
} = defineProps<{ label?: string; placeholder?: string; kinds?: readonly MaterialKind[]; lots?: boolean }>()
const emit = defineEmits<{ picked: [row: Omit<Row, 'massG'>, amount: string | null] }>()
const book = useBook()
const preferences = usePreferences()
const id = useId()
/** Its list is made once somebody reaches for it: most are never opened. */
const reached = ref(false)
const typed = ref('')
const MOST = 60

const stock = computed(() =>
  lots ? book.inStock.filter((lot) => ['stock', 'base', 'brine', 'pulp'].includes(lot.kind)) : [],
)
const offered = computed(() =>
  book.library.materials.filter(
    (material) => !['water', 'salt'].includes(material.kind) && (!kinds || kinds.includes(material.kind)),
  ),
)
const line = computed(() =>
  typed.value.trim()
    ? ingredientLine(offered.value, typed.value)
    : { amount: null, name: '', found: searchMaterials(offered.value, '') },
)
/** What is offered first; nothing before somebody reaches for it. */
const kindsShown = computed(() => {
  if (!reached.value) return []
  return typed.value ? (['material', 'lot'] as const) : (['lot', 'material'] as const)
})
const materials = computed(() => line.value.found)
const foundLots = computed(() =>
  stock.value.filter((lot) => `${lot.code} ${lot.name}`.toLowerCase().includes(line.value.name.trim().toLowerCase())),
)
const also = (material: Material) =>
  line.value.name && !material.name.toLowerCase().includes(line.value.name.toLowerCase())
    ? material.names.find((name) => name.toLowerCase().includes(line.value.name.toLowerCase()))
    : undefined

function choose(value: string) {
  const { amount } = line.value
  const prepared = { preparation: 'raw', seedsOut: false } as const
  const [kind, ref] = [value.slice(0, value.indexOf(':')), value.slice(value.indexOf(':') + 1)]
  const lot = kind === 'lot' ? book.lot(ref) : undefined
  const material = kind === 'material' ? book.library.material(ref) : undefined
  if (lot) emit('picked', { ...prepared, materialId: 'lot', lotId: lot.id, name: lot.name }, amount)
  else if (material) emit('picked', { ...prepared, materialId: material.id, name: material.name }, amount)
  else
    emit('picked', { ...prepared, materialId: 'unknown', name: ref.trim().replace(/[<>]/g, '').slice(0, 80) }, amount)
  typed.value = ''
}
</script>

<template>
  <div>
    <label :for="id" class="field-label">{{ label }}</label>
    <el-select
      :id="id"
      :persistent="reached"
      model-value=""
      filterable
      default-first-option
      :filter-method="(text: string) => (typed = text)"
      :aria-label="label"
      :placeholder="
        placeholder ?? `${preferences.world === 'us' ? '2 1/2 lb' : '1.2 kg'} Fresno, 2 heads garlic, kept brine …`
      "
      @change="choose"
      @visible-change="
        (open) => {
          if (!open) typed = ''
        }
      "
      @focus="reached = true"
    >
      <template v-for="kind in kindsShown" :key="kind">
        <template v-if="kind === 'lot'"
          ><el-option
            v-for="lot in foundLots.slice(-MOST)"
            :key="lot.id"
            :value="`lot:${lot.id}`"
            :label="`${lot.code} ${lot.name}`"
            ><span class="code">{{ lot.code }}</span> {{ lot.name }}
            <span class="muted small">{{ formatMass(lot.leftG, preferences.world) }} in stock</span></el-option
          ></template
        >
        <template v-else
          ><el-option
            v-for="material in materials.slice(0, MOST)"
            :key="material.id"
            :value="`material:${material.id}`"
            :label="material.name"
            ><strong v-if="line.amount" class="amount">{{ line.amount }}</strong> {{ material.name }}
            <span class="muted small">{{ also(material) ?? (material.own ? 'your own' : '') }}</span></el-option
          ></template
        >
      </template>
      <el-option
        v-if="line.name.length > 2 && materials.length === 0"
        :value="`unlisted:${line.name}`"
        :label="`${line.name}, unlisted`"
        >“{{ line.name }}” is not in the library: take it as unlisted produce</el-option
      >
    </el-select>
  </div>
</template>
