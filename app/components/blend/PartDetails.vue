<script setup lang="ts">
import { computed } from 'vue'
import { STRENGTH_FIELD, type PartForm } from '~/forms/blendForm'
import { hasOwnPh } from '~/words/partWords'
import { useBook } from '~/stores/book'

/** What the maker knows of a part of the pot, and the shares it must keep to. */
const part = defineModel<PartForm>({ required: true })
const book = useBook()
const material = computed(() => book.library.material(part.value.materialId ?? ''))
const isProduce = computed(() => ['fruit', 'vegetable', 'pepper', 'herb'].includes(material.value?.kind ?? ''))
const PREPARED = [
  { value: 'raw', label: 'raw' },
  { value: 'boiled', label: 'cooked' },
  { value: 'frozen', label: 'frozen' },
  { value: 'roasted', label: 'roasted' },
]
</script>

<template>
  <div class="fields more">
    <QuantityField
      v-if="hasOwnPh(part, material)"
      v-model="part.ph"
      kind="ph"
      :label="`${part.name}, its own pH`"
      optional
      :placeholder="material?.ph?.typical.toFixed(1)"
    />
    <QuantityField
      v-if="material?.kind === 'vinegar'"
      v-model="part.strengthPct"
      kind="percent"
      :limits="STRENGTH_FIELD"
      :label="`${part.name}, acetic acid`"
      optional
      no-take
      :placeholder="String(material?.acidsPct.acetic?.typical ?? 5)"
      hint="as the bottle says; 0 % would be water"
    />
    <QuantityField
      v-if="material?.kind === 'water'"
      v-model="part.alkalinity"
      kind="number"
      :limits="{ high: 20, unit: 'mmol/L' }"
      :label="`${part.name}, alkalinity in mmol/L`"
      optional
      no-take
      placeholder="0"
      hint="your supplier’s figure; hard tap water has 3 to 5"
    />
    <PickField v-if="isProduce" v-model="part.preparation" :label="`${part.name}, as`" :options="PREPARED" />
    <QuantityField v-model="part.lowPct" kind="percent" :label="`${part.name}, share at least`" optional no-take />
    <QuantityField v-model="part.highPct" kind="percent" :label="`${part.name}, share at most`" optional no-take />
  </div>
</template>

<style scoped>
.more {
  padding: var(--s1) 0 var(--s3);
  grid-template-columns: repeat(auto-fill, minmax(140px, 1fr));
}
</style>
