<script setup lang="ts">
import { computed, ref } from 'vue'
import { say } from '~/composables/say'
import { InvalidInput, rowsOfTable, styleById, tableOfRows, type Lot } from '@lactofer/core'
import { formOfPlan, formOfRecipe, freshRow, weighedRows, type PlanForm } from '~/forms/planForm'
import { csvOf, linesOf } from '~/composables/csv'
import { saveFile } from '~/composables/saveFile'
import { useBook } from '~/stores/book'

/** Where a plan comes from: one that was kept, a recipe, a table of rows. */
const form = defineModel<PlanForm>({ required: true })
const book = useBook()
const recipeId = ref('')
const problem = ref('')
const planned = computed(() => book.planned)

function open(lot: Lot) {
  if (lot.made.kind === 'plan') form.value = formOfPlan(lot.made)
}
function start(id: string) {
  const version = book.recipes.find((recipe) => recipe.id === id)?.versions.at(-1)
  if (version) form.value = formOfRecipe(version)
  recipeId.value = ''
}
function importRows(text: string) {
  problem.value = ''
  try {
    const rows = rowsOfTable(linesOf(text), book.library).map((row) => ({ ...freshRow(row), massG: row.massG }))
    form.value = { ...form.value, rows: [...form.value.rows, ...rows] }
    say.done(`${rows.length} ${rows.length === 1 ? 'row' : 'rows'} added.`)
  } catch (error) {
    if (!(error instanceof InvalidInput)) throw error
    problem.value = error.message
  }
}
const exportRows = () =>
  saveFile(
    new Blob([csvOf(tableOfRows(weighedRows(form.value)))], { type: 'text/csv' }),
    `${form.value.name.trim().replace(/[^\p{L}\p{N}]+/gu, '-') || 'plan'}.csv`,
  )
const recipeOptions = computed(() =>
  book.recipes.map(({ id, name, versions }) => ({
    value: id,
    label: versions.length > 1 ? `${name}, version ${versions.length}` : name,
  })),
)
/** Where a planned lot goes on: a bowl that was weighed in is split. */
const nextPage = ({ id, made, weighed }: Lot) =>
  made.kind === 'plan' && made.bowl && weighed ? `/split/${id}` : `/weigh/${id}`
</script>

<template>
  <section class="start" aria-label="Where to start">
    <PickField
      v-if="book.recipes.length"
      v-model="recipeId"
      class="recipe"
      label="Start from a recipe"
      hide-label
      :options="recipeOptions"
      placeholder="Start from a recipe"
      @update:model-value="start"
    />
    <div v-if="planned.length" class="planned">
      <span class="field-label">Planned, not packed</span>
      <span class="row"
        ><span v-for="lot in planned" :key="lot.id" class="one"
          ><el-button @click="open(lot)"><span class="code">{{ lot.code }}</span>&nbsp;{{ lot.name }}</el-button>
          <NuxtLink :to="nextPage(lot)" class="go"
            >{{ lot.made.kind === 'plan' && lot.made.bowl && lot.weighed ? 'Split' : 'Weigh'
            }}<span class="visually-hidden">
              {{ lot.code }}, {{ lot.made.kind === 'plan' ? styleById(lot.made.style).name : '' }}</span
            ></NuxtLink
          ></span
        ></span
      >
    </div>
    <div class="files">
      <FileButton
        label="Import rows"
        accept=".csv,text/csv"
        @files="([file]) => file?.text().then(importRows)"
      /><el-button :disabled="weighedRows(form).length === 0" @click="exportRows">Export rows</el-button
      ><NuxtLink to="/recipes" class="go">Recipes</NuxtLink><NuxtLink to="/loft" class="go">Plan the loft</NuxtLink>
    </div>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  </section>
</template>

<style scoped>
.start {
  display: flex;
  flex-wrap: wrap;
  gap: var(--s3) var(--s5);
  align-items: flex-end;
}
.recipe {
  flex: 0 1 280px;
}
.files {
  display: flex;
  gap: var(--s2);
  margin-left: auto;
  flex-wrap: wrap;
}
.one {
  display: inline-flex;
}
.one .el-button {
  border-radius: var(--radius) 0 0 var(--radius);
}
.one .go {
  border-left: 0;
  border-radius: 0 var(--radius) var(--radius) 0;
}
.go {
  display: inline-flex;
  align-items: center;
  min-height: var(--touch);
  padding: 0 var(--s3);
  border: 1px solid var(--el-border-color);
  border-radius: var(--radius);
  font-weight: 600;
  text-decoration: none;
}
.start .problem {
  flex-basis: 100%;
}
</style>
