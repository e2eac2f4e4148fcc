<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import { ElMessage } from 'element-plus'
import {
  DraftSchema,
  MATERIAL_KINDS,
  ownMaterialId,
  PlainNameSchema,
  type Material,
  type MaterialKind,
  type Range,
} from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { useRecorder } from '~/composables/useRecorder'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/**
 * What the maker knows better: put over the library's figures, kept apart from them, taken back at any time. Empty
 * fields leave the library's value.
 */
const { material } = defineProps<{ material: Material | null }>()
const emit = defineEmits<{ saved: [id: string] }>()
const book = useBook()
const preferences = usePreferences()
const { busy, record } = useRecorder()
const asked = ref(false)
const problem = ref('')

const FIELDS = [
  ['waterPct', 'Water', 'percent'],
  ['sugarPct', 'Sugar', 'percent'],
  ['citricPct', 'Citric acid', 'percent'],
  ['malicPct', 'Malic acid', 'percent'],
  ['aceticPct', 'Acetic acid, strength', 'percent'],
  ['ph', 'pH', 'ph'],
  ['dryShu', 'Heat, SHU dry basis', 'number'],
  ['cupG', 'Grams a cup', 'mass'],
  ['pieceG', 'Grams a piece', 'mass'],
  ['teaspoonG', 'Grams a level teaspoon', 'mass'],
] as const
type Key = (typeof FIELDS)[number][0]
type Three = { low: number | null; typical: number | null; high: number | null }
const empty = (): Three => ({ low: null, typical: null, high: null })
const values = reactive(Object.fromEntries(FIELDS.map(([key]) => [key, empty()])) as Record<Key, Three>)
const name = ref('')
const names = ref('')
const kind = ref<MaterialKind>('pepper')
const price = ref<number | null>(null)

/** The newest own entry of this material, to start from. */
const ownEntry = computed(() =>
  book.book.standing.findLast((entry) => entry.kind === 'material' && entry.materialId === material?.id),
)
watch(
  () => material?.id,
  () => {
    const known = ownEntry.value?.kind === 'material' && !ownEntry.value.forget ? ownEntry.value : null
    for (const [key] of FIELDS) values[key] = { ...(known?.[key] ?? empty()) }
    name.value = material?.name ?? ''
    names.value = material?.names.join('; ') ?? ''
    kind.value = material?.kind ?? 'pepper'
    price.value = known?.pricePerKg ?? null
    asked.value = false
    problem.value = ''
  },
  { immediate: true },
)

/** A single figure stands for all three. */
function three({ low, typical, high }: Three): Range | null {
  const middle = typical ?? low ?? high
  return middle === null ? null : { low: low ?? middle, typical: middle, high: high ?? middle }
}
async function save() {
  asked.value = true
  const trimmed = name.value.trim()
  problem.value = PlainNameSchema.safeParse(trimmed).error?.issues[0]?.message ?? ''
  if (problem.value) return
  const id = material?.id ?? ownMaterialId(trimmed)
  if (!material && book.library.material(id)) {
    problem.value = 'There is one of this name already. Choose it in the list and give it your own values.'
    return
  }
  const given = Object.fromEntries(
    FIELDS.flatMap(([key]) => {
      const range = three(values[key])
      return range ? [[key, range]] : []
    }),
  )
  const draft = {
    kind: 'material' as const,
    at: nowMoment(),
    materialId: id,
    name: trimmed,
    group: kind.value,
    names: names.value
      .split(';')
      .map((one) => one.trim())
      .filter(Boolean),
    ...given,
    ...(price.value !== null && { pricePerKg: price.value }),
  }
  const parsed = DraftSchema.safeParse(draft)
  if (!parsed.success) {
    const issue = parsed.error.issues[0]
    problem.value = `${FIELDS.find(([key]) => key === issue?.path[0])?.[1] ?? 'A figure'}: ${issue?.message ?? 'cannot be'}`
    return
  }
  if (!(await record(parsed.data))) return
  ElMessage.success(`${trimmed}: your own values stand over the library’s.`)
  emit('saved', id)
}
async function forget() {
  if (!material) return
  if (
    await record({
      kind: 'material',
      at: nowMoment(),
      materialId: material.id,
      name: material.name,
      group: material.kind,
      forget: true,
    })
  )
    ElMessage.success('The library’s values stand again.')
}
</script>

<template>
  <form
    class="stack"
    novalidate
    :aria-label="material ? `Your own values for ${material.name}` : 'A material of your own'"
    @submit.prevent="save"
  >
    <h3>{{ material ? 'Your own values' : 'A material of your own' }}</h3>
    <div class="fields">
      <WordField v-model="name" label="Name" />
      <WordField v-model="names" label="Other names" placeholder="split with ;" />
      <PickField
        v-if="!material"
        v-model="kind"
        label="Kind"
        :options="MATERIAL_KINDS.map((value) => ({ value, label: value }))"
      />
      <QuantityField
        v-model="price"
        kind="number"
        :label="`Price, ${preferences.currency} per kg`"
        :limits="{ high: 100_000 }"
        optional
        no-take
      />
    </div>
    <table class="plain own">
      <thead>
        <tr>
          <th>What</th>
          <th>Low</th>
          <th>Typical</th>
          <th>High</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="[key, label, unit] in FIELDS" :key="key">
          <td>{{ label }}</td>
          <td v-for="end in ['low', 'typical', 'high'] as const" :key="end">
            <QuantityField
              v-model="values[key][end]"
              :kind="unit"
              hide-unit
              :limits="key === 'dryShu' ? { high: 16_000_000 } : {}"
              :label="`${label}, ${end}`"
              hide-label
              optional
              no-take
            />
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="asked && problem" class="problem" role="alert">{{ problem }}</p>
    <div class="row">
      <el-button type="primary" native-type="submit" :loading="busy">Keep my values</el-button
      ><el-button v-if="material?.own" @click="forget">Back to the library’s values</el-button>
    </div>
  </form>
</template>

<style scoped>
.own td {
  padding: 3px var(--s1);
}
.own td:first-child {
  min-width: 120px;
}
</style>
