<script setup lang="ts">
import { computed, ref, useId } from 'vue'
import { formatMass, searchMaterials, type Material, type MaterialKind, type Row } from '@lactofer/core'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/**
 * Finds something to weigh in by any of its common names, or a lot in stock (first while nothing is typed); what
 * nobody knows is taken as unlisted produce.
 */
const {
  label = 'Add an ingredient',
  kinds,
  lots = true,
} = defineProps<{ label?: string; placeholder?: string; kinds?: readonly MaterialKind[]; lots?: boolean }>()
const emit = defineEmits<{ picked: [row: Omit<Row, 'massG'>] }>()
const book = useBook()
const preferences = usePreferences()
const id = useId()
const typed = ref('')
const MOST = 60

const stock = computed(() =>
  lots
    ? book.lots.filter((lot) => lot.state === 'in stock' && ['stock', 'base', 'brine', 'pulp'].includes(lot.kind))
    : [],
)
const materials = computed(() =>
  searchMaterials(
    book.library.materials.filter(
      (material) => !['water', 'salt'].includes(material.kind) && (!kinds || kinds.includes(material.kind)),
    ),
    typed.value,
  ),
)
const foundLots = computed(() =>
  stock.value.filter((lot) => `${lot.code} ${lot.name}`.toLowerCase().includes(typed.value.trim().toLowerCase())),
)
const also = (material: Material) =>
  typed.value && !material.name.toLowerCase().includes(typed.value.toLowerCase())
    ? material.names.find((name) => name.toLowerCase().includes(typed.value.toLowerCase()))
    : undefined

function choose(value: string) {
  const prepared = { preparation: 'raw', seedsOut: false } as const
  const [kind, ref] = [value.slice(0, value.indexOf(':')), value.slice(value.indexOf(':') + 1)]
  const lot = kind === 'lot' ? book.lot(ref) : undefined
  const material = kind === 'material' ? book.library.material(ref) : undefined
  if (lot) emit('picked', { ...prepared, materialId: 'lot', lotId: lot.id, name: lot.name })
  else if (material) emit('picked', { ...prepared, materialId: material.id, name: material.name })
  else emit('picked', { ...prepared, materialId: 'unknown', name: ref.trim().replace(/[<>]/g, '').slice(0, 80) })
  typed.value = ''
}
</script>

<template>
  <div>
    <label :for="id" class="field-label">{{ label }}</label>
    <el-select
      :id="id"
      model-value=""
      filterable
      :filter-method="(text: string) => (typed = text)"
      :aria-label="label"
      :placeholder="placeholder ?? 'Type or choose: Fresno, garlic, kept brine …'"
      @change="choose"
      @visible-change="
        (open) => {
          if (!open) typed = ''
        }
      "
    >
      <template v-for="kind in typed ? (['material', 'lot'] as const) : (['lot', 'material'] as const)" :key="kind">
        <template v-if="kind === 'lot'"
          ><el-option v-for="lot in foundLots" :key="lot.id" :value="`lot:${lot.id}`" :label="`${lot.code} ${lot.name}`"
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
            >{{ material.name }}
            <span class="muted small">{{ also(material) ?? (material.own ? 'your own' : '') }}</span></el-option
          ></template
        >
      </template>
      <el-option
        v-if="typed.trim().length > 2 && materials.length === 0"
        :value="`unlisted:${typed}`"
        :label="`${typed.trim()}, unlisted`"
        >“{{ typed.trim() }}” is not in the library: take it as unlisted produce</el-option
      >
    </el-select>
  </div>
</template>
