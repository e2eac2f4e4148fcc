<script setup lang="ts">
import { computed, ref } from 'vue'
import { ElMessage } from 'element-plus'
import {
  factsOf,
  formatNumber,
  InvalidInput,
  momentOf,
  planFigures,
  readRecipe,
  styleById,
  USUAL_STYLE,
  writeRecipe,
  type EntryOf,
  type Recipe,
} from '@lactofer/core'
import { nowMoment, nowMs } from '~/clock/clock'
import { fullDay } from '~/clock/moments'
import { saveFile } from '~/composables/saveFile'
import { useRecorder } from '~/composables/useRecorder'
import { newLotId, useBook } from '~/stores/book'

const book = useBook()
const { record } = useRecorder('Your recipes are as they were.')
const problem = ref('')
type Version = EntryOf<'recipe'>
const versions = computed(() =>
  book.recipes.flatMap((recipe) =>
    recipe.versions.map((version, index) => ({
      id: version.id,
      recipe,
      version,
      label: `${recipe.name}, version ${index + 1}`,
      number: index + 1,
    })),
  ),
)
const left = ref('')
const right = ref('')
const side = (id: string) => versions.value.find((one) => one.id === id)
/** To begin with, the two newest versions of a recipe that has two, else the first two recipes. */
const first = computed(
  () =>
    book.recipes
      .find((recipe) => recipe.versions.length > 1)
      ?.versions.slice(-2)
      .map((version) => version.id) ?? versions.value.slice(0, 2).map((one) => one.id),
)
const ids = computed(() => [left.value || first.value[0] || '', right.value || first.value[1] || ''] as const)
const both = computed(() => ids.value.map(side))

function figuresOf(version: Version) {
  try {
    return planFigures(book.book, version.plan)
  } catch (error) {
    if (error instanceof InvalidInput) return null
    throw error
  }
}
/** Both recipes by the kilogram of ingredients, line by line, so that sizes do not hide what differs. */
const lines = computed(() => {
  const sides = both.value.map((one) => (one ? { ...one, figures: figuresOf(one.version) } : null))
  const names = [...new Set(sides.flatMap((one) => one?.version.plan.rows.map((row) => row.name) ?? []))]
  const perKg = (one: (typeof sides)[number], name: string) => {
    const rows = one?.version.plan.rows.filter((row) => row.name === name) ?? []
    const total = one?.version.plan.rows.reduce((sum, row) => sum + row.massG, 0) ?? 0
    return rows.length && total > 0
      ? `${formatNumber((1000 * rows.reduce((sum, row) => sum + row.massG, 0)) / total)} g${rows.some((row) => row.preparation !== 'raw') ? `, ${rows.map((row) => row.preparation).join(', ')}` : ''}`
      : '–'
  }
  const line = (name: string, of: (one: NonNullable<(typeof sides)[number]>) => string) => ({
    name,
    cells: sides.map((one) => (one ? of(one) : '')),
  })
  const all = [
    line('Style', (one) => styleById(one.version.plan.style).name),
    ...names.map((name) => ({ name, cells: sides.map((one) => perKg(one, name)) })),
    line(
      'Water, per kg of ingredients',
      (one) => `${formatNumber((1000 * one.version.plan.waterG) / Math.max(1, one.figures?.ingredientG ?? 1))} g`,
    ),
    line('Salt', (one) => `${one.version.plan.saltPct} % of the ${one.version.plan.saltBasis}`),
    line('Salt, evened out', (one) => (one.figures ? `${formatNumber(one.figures.dose.ofEverythingPct, 2)} %` : '–')),
    line('Start pH', (one) =>
      one.figures?.ph ? `${one.figures.ph.low.toFixed(1)}–${one.figures.ph.high.toFixed(1)}` : '–',
    ),
    line('Heat, SHU', (one) =>
      one.figures
        ? `${formatNumber(Number(one.figures.properties.shu.low.toPrecision(2)))}–${formatNumber(Number(one.figures.properties.shu.high.toPrecision(2)))}`
        : '–',
    ),
    line('Sugar', (one) => (one.figures ? `${formatNumber(one.figures.properties.sugarPct.typical, 1)} %` : '–')),
    line('Raw share', (one) =>
      one.figures?.raw === null || !one.figures ? '–' : `${formatNumber(100 * one.figures.raw)} %`,
    ),
    line('Target pH', (one) => one.version.plan.targetPh.toFixed(2)),
    line('Note', (one) => one.version.note ?? ''),
  ]
  return all.map((one) => ({ ...one, differs: one.cells[0] !== one.cells[1] }))
})

const exportOne = (recipe: Recipe) =>
  saveFile(
    new Blob([writeRecipe(recipe, nowMoment())], { type: 'application/json' }),
    `${recipe.name.replace(/[^\p{L}\p{N}]+/gu, '-')}.recipe.json`,
  )
async function importOne(text: string) {
  problem.value = ''
  try {
    const read = readRecipe(text)
    const recipeId = newLotId()
    const name = book.recipes.some((recipe) => recipe.name === read.name)
      ? `${read.name.slice(0, 68)} (from file)`
      : read.name
    const now = nowMs()
    const written = await record(
      ...read.versions.map(({ note, plan }, index) => ({
        kind: 'recipe' as const,
        at: momentOf(now + index),
        recipeId,
        name,
        plan,
        ...(note !== undefined && { note }),
      })),
    )
    if (written)
      ElMessage.success(`${name}: ${read.versions.length} ${read.versions.length === 1 ? 'version' : 'versions'}.`)
  } catch (error) {
    if (!(error instanceof InvalidInput)) throw error
    problem.value = error.message
  }
}
async function retire(recipe: Recipe) {
  const last = recipe.versions.at(-1)
  if (!last) return
  if (await record({ ...factsOf(last), at: nowMoment(), retired: true }))
    ElMessage.success(`${recipe.name} is off the list. Its versions stay in the log.`)
}
</script>

<template>
  <div class="page">
    <header>
      <h1>Recipes</h1>
      <p>Every version is kept. Start one, or lay two side by side.</p>
      <div class="files"><FileButton label="Import a recipe" @files="([file]) => file?.text().then(importOne)" /></div>
    </header>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <p v-if="book.recipes.length === 0" class="sheet">
      No recipes yet. Weigh a batch into <NuxtLink to="/plan">Plan</NuxtLink> and save it as a recipe there.
    </p>
    <template v-else>
      <ul class="plain-list recipes">
        <li v-for="recipe in book.recipes" :key="recipe.id" class="sheet">
          <header>
            <h2>{{ recipe.name }}</h2>
            <p class="muted small">
              {{ styleById(recipe.versions.at(-1)?.plan.style ?? USUAL_STYLE).name }},
              {{
                recipe.versions
                  .at(-1)
                  ?.plan.rows.map((row) => row.name.toLowerCase())
                  .join(', ')
              }}
            </p>
          </header>
          <ol class="plain-list">
            <li v-for="(version, index) in recipe.versions" :key="version.id" class="version">
              <span
                ><strong>Version {{ index + 1 }}</strong
                >{{ ' '
                }}<span class="muted small"
                  >{{ fullDay(version.at) }}, {{ version.by }}{{ version.note ? `: ${version.note}` : '' }}</span
                ></span
              >
              <NuxtLink :to="`/plan?recipe=${recipe.id}&version=${index + 1}`" class="go"
                >Start<span class="visually-hidden"> {{ recipe.name }}, version {{ index + 1 }}</span></NuxtLink
              >
            </li>
          </ol>
          <div class="row">
            <el-button @click="exportOne(recipe)"
              >Export<span class="visually-hidden"> {{ recipe.name }}</span></el-button
            ><el-button text @click="retire(recipe)"
              >Take off the list<span class="visually-hidden">: {{ recipe.name }}</span></el-button
            >
          </div>
        </li>
      </ul>
      <section v-if="versions.length > 1" class="sheet" aria-label="Side by side">
        <h2>Side by side</h2>
        <table class="plain compare">
          <thead>
            <tr>
              <th>Per kilogram of ingredients</th>
              <th>
                <PickField
                  :model-value="ids[0]"
                  label="One recipe"
                  :options="versions.map((one) => ({ value: one.id, label: one.label }))"
                  @update:model-value="left = $event"
                />
              </th>
              <th>
                <PickField
                  :model-value="ids[1]"
                  label="The other"
                  :options="versions.map((one) => ({ value: one.id, label: one.label }))"
                  @update:model-value="right = $event"
                />
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="line in lines" :key="line.name" :class="{ differs: line.differs }">
              <td>{{ line.name }}<span v-if="line.differs" class="visually-hidden"> (differs)</span></td>
              <td>{{ line.cells[0] }}</td>
              <td>{{ line.cells[1] }}</td>
            </tr>
          </tbody>
        </table>
      </section>
    </template>
  </div>
</template>

<style scoped>
.files {
  margin-left: auto;
}
.recipes {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 380px), 1fr));
  gap: var(--s4);
  align-items: start;
}
.version {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: var(--s3);
  padding: var(--s1) 0;
  border-bottom: 1px solid var(--line);
}
.go {
  display: inline-flex;
  align-items: center;
  min-height: var(--touch);
  padding: 0 var(--s3);
  border: 1px solid var(--bottle);
  border-radius: var(--radius);
  font-weight: 600;
  text-decoration: none;
}
.compare {
  table-layout: fixed;
}
.compare th {
  vertical-align: bottom;
  font-weight: 600;
}
.differs td {
  font-weight: 700;
  background: var(--wash);
}
</style>
