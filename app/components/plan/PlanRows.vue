<script setup lang="ts">
import { ref } from 'vue'
import IconX from '~icons/lucide/x'
import { MATERIALS, materialById, PREPARATIONS, type Preparation } from '@lactofer/core'
import type { PlanForm } from './planForm'

/** The ingredients as they are weighed in. */
const rows = defineModel<PlanForm['rows']>({ required: true })
const adding = ref('')
const produce = MATERIALS.filter(material => ['pepper', 'vegetable', 'fruit', 'herb'].includes(material.kind))
const preparations = PREPARATIONS.map(value => ({ value, label: value }))

function add(materialId: string) {
  const material = materialById(materialId)
  if (material) rows.value.push({ materialId, name: material.name, massG: null, preparation: 'raw' as Preparation, seedsOut: false })
  adding.value = ''
}
</script>

<template>
  <section class="sheet" aria-label="Ingredients">
    <h2>Weigh in</h2>
    <p v-if="rows.length === 0" class="muted">Start with the peppers. Weigh each thing as it goes in, garlic too: the salt is a share of the whole.</p>
    <ul v-else class="plain-list rows">
      <li v-for="(row, index) in rows" :key="index" :style="{ '--chip': materialById(row.materialId)?.color }">
        <span class="what"><span class="chip" aria-hidden="true" />{{ row.name }}</span>
        <QuantityField v-model="row.massG" kind="mass" :label="`${row.name}, weight`" hide-label :limits="{ low: 0.1 }" />
        <PickField v-model="row.preparation" :label="`${row.name}, prepared`" hide-label :options="preparations" />
        <el-checkbox v-if="materialById(row.materialId)?.kind === 'pepper'" v-model="row.seedsOut">seeds out</el-checkbox><span v-else />
        <el-button text :aria-label="`Take out ${row.name}`" @click="rows.splice(index, 1)"><IconX aria-hidden="true" /></el-button>
      </li>
    </ul>
    <PickField v-model="adding" label="Add an ingredient" :options="produce.map(material => ({ value: material.id, label: material.name }))" placeholder="Type or choose: Fresno, garlic …" @update:model-value="add" />
  </section>
</template>

<style scoped>
.rows li { display: grid; grid-template-columns: minmax(110px, 1fr) 150px 128px 104px 44px; gap: var(--s2) var(--s3); align-items: start; padding: var(--s2) 0; border-bottom: 1px solid var(--line); }
.what { display: flex; align-items: center; gap: var(--s2); font-weight: 600; min-height: var(--touch); }
.chip { width: 12px; height: 26px; border-radius: 3px; background: var(--chip); border: 1px solid #0003; flex: none; }
.el-checkbox { min-height: var(--touch); height: auto; }
@media (max-width: 700px) {
  .rows li { grid-template-columns: 1fr 44px; }
  .rows li > :last-child { grid-column: 2; grid-row: 1; }
}
</style>
