<script setup lang="ts">
import { computed, ref } from 'vue'
import { say } from '~/composables/say'
import {
  factsOf,
  InvalidInput,
  momentOf,
  readRecipe,
  styleById,
  USUAL_STYLE,
  writeRecipe,
  type Recipe,
} from '@lactofer/core'
import { nowMoment, nowMs } from '~/clock/clock'
import { fullDay } from '~/clock/moments'
import { compareRecipes } from '~/components/recipes/compareRecipes'
import { saveFile } from '~/composables/saveFile'
import { useRecorder } from '~/composables/useRecorder'
import { newLotId, useBook } from '~/stores/book'

const book = useBook()
const { record } = useRecorder('Your recipes are as they were.')
const problem = ref('')
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
/** Lots packed from a recipe, and what their eaters said of them. */
const lotsOf = ({ id }: Recipe) =>
  book.lots.filter(({ made, packed }) => packed && made.kind === 'plan' && made.recipeId === id)
const eatenOf = (recipe: Recipe) =>
  lotsOf(recipe).flatMap(({ code, uses }) => uses.filter(({ note }) => note).map((use) => ({ ...use, code })))
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

/** Both recipes line by line. */
const lines = computed(() =>
  compareRecipes(
    book.book,
    both.value.map((one) => one?.version ?? null),
  ),
)

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
    if (written) say.done(`${name}: ${read.versions.length} ${read.versions.length === 1 ? 'version' : 'versions'}.`)
  } catch (error) {
    if (!(error instanceof InvalidInput)) throw error
    problem.value = error.message
  }
}
async function retire(recipe: Recipe) {
  const last = recipe.versions.at(-1)
  if (!last) return
  if (await record({ ...factsOf(last), at: nowMoment(), retired: true }))
    say.done(`${recipe.name} is off the list. Its versions stay in the log.`)
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
                ><strong>Version {{ index + 1 }}</strong>{{ ' '
                }}<span class="muted small"
                  >{{ fullDay(version.at) }}, {{ version.by }}{{ version.note ? `: ${version.note}` : '' }}</span
                ></span
              >
              <NuxtLink :to="`/plan?recipe=${recipe.id}&version=${index + 1}`" class="go"
                >Start<span class="visually-hidden"> {{ recipe.name }}, version {{ index + 1 }}</span></NuxtLink
              >
            </li>
          </ol>
          <div v-if="eatenOf(recipe).length" class="small" data-figure="how-it-was">
            <h3>How it was, for the next version</h3>
            <p v-for="use in eatenOf(recipe)" :key="use.id">
              <span class="code">{{ use.code }}</span> {{ fullDay(use.at) }}: {{ use.note }}
            </p>
          </div>
          <NuxtLink v-if="lotsOf(recipe).length > 1" :to="`/compare?a=${lotsOf(recipe).at(-1)?.id}`"
            >Two of its lots, day by day</NuxtLink
          >
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
