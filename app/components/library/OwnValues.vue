<script setup lang="ts">
import { computed, watch } from 'vue'
import { say } from '~/composables/say'
import {
  MATERIAL_KINDS,
  ownMaterialId,
  PlainNameSchema,
  type Material,
  type MaterialKind,
  type Range,
} from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { checkDraft } from '~/forms/problems'
import { useForm, type Problems } from '~/composables/useForm'
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
/** The newest own entry of this material, to start from. */
const ownEntry = computed(() =>
  book.book.effective.findLast((entry) => entry.kind === 'material' && entry.materialId === material?.id),
)
function fresh() {
  const known = ownEntry.value?.kind === 'material' && !ownEntry.value.forget ? ownEntry.value : null
  return {
    values: Object.fromEntries(FIELDS.map(([key]) => [key, { ...(known?.[key] ?? empty()) }])) as Record<Key, Three>,
    name: material?.name ?? '',
    names: material?.names.join('; ') ?? '',
    kind: material?.kind ?? ('pepper' as MaterialKind),
    price: known?.pricePerKg ?? null,
  }
}
const { form, problem, busy, confirm, record, reset } = useForm({
  fresh,
  problems: (): Problems<'material'> => ({ material: checked.value.problem }),
})
watch(() => material?.id, reset)

/** A single figure stands for all three. */
function three({ low, typical, high }: Three): Range | null {
  const middle = typical ?? low ?? high
  return middle === null ? null : { low: low ?? middle, typical: middle, high: high ?? middle }
}
const labels: Record<string, string> = Object.fromEntries(FIELDS.map(([key, label]) => [key, label]))
const checked = computed(() => {
  const { kind, price, values } = form.value
  const name = form.value.name.trim()
  const refused = PlainNameSchema.safeParse(name).error?.issues[0]?.message
  if (refused) return { draft: null, problem: refused }
  const materialId = material?.id ?? ownMaterialId(name)
  if (!material && book.library.material(materialId))
    return {
      draft: null,
      problem: 'There is one of this name already. Choose it in the list and give it your own values.',
    }
  const given = FIELDS.flatMap(([key]) => {
    const range = three(values[key])
    return range ? [[key, range] as const] : []
  })
  const names = form.value.names.split(';').map((one) => one.trim())
  return checkDraft(
    {
      ...{ kind: 'material', at: nowMoment(), materialId, name, group: kind, names: names.filter(Boolean) },
      ...Object.fromEntries(given),
      ...(price !== null && { pricePerKg: price }),
    },
    {},
    labels,
  )
})
async function save(event: Event) {
  const { draft } = checked.value
  if (!(await confirm(event, () => draft && [draft])) || draft?.kind !== 'material') return
  say.done(`${draft.name}: your own values stand over the library’s.`)
  emit('saved', draft.materialId)
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
    say.done('The library’s values stand again.')
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
      <WordField v-model="form.name" label="Name" />
      <WordField v-model="form.names" label="Other names" placeholder="split with ;" />
      <PickField
        v-if="!material"
        v-model="form.kind"
        label="Kind"
        :options="MATERIAL_KINDS.map((value) => ({ value, label: value }))"
      />
      <QuantityField
        v-model="form.price"
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
              v-model="form.values[key][end]"
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
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
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
