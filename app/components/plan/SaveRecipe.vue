<script setup lang="ts">
import { computed, watch } from 'vue'
import { say } from '~/composables/say'
import { PlainNameSchema, type Draft } from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import type { PlanForm } from '~/forms/planForm'
import { recipePlanOf } from '~/forms/planResults'
import { useForm, type Problems } from '~/composables/useForm'
import { newLotId, useBook } from '~/stores/book'

/** Keeps the plan as a recipe: a new one, or the next version of one. Older versions stay. */
const open = defineModel<boolean>({ required: true })
const { form: plan } = defineProps<{ form: PlanForm }>()
const book = useBook()
const { form, shown, busy, confirm, reset } = useForm({
  fresh: () => ({
    name: plan.name,
    note: '',
    intoId: plan.recipeId && book.recipes.some((recipe) => recipe.id === plan.recipeId) ? plan.recipeId : '',
  }),
  problems: (): Problems<'name'> => ({
    name: PlainNameSchema.safeParse(form.value.name).error?.issues[0]?.message ?? null,
  }),
})
watch(open, (now) => {
  if (now) reset()
})
const into = computed(() => book.recipes.find((recipe) => recipe.id === form.value.intoId))
function drafts(): Draft[] | null {
  const kept = recipePlanOf(plan, book.book)
  const note = form.value.note.trim().slice(0, 500)
  return (
    kept && [
      {
        ...{ kind: 'recipe', at: nowMoment(), recipeId: form.value.intoId || newLotId() },
        ...{ name: form.value.name.trim(), plan: kept },
        ...(note && { note }),
      },
    ]
  )
}
async function save(event: Event) {
  if (!(await confirm(event, drafts))) return
  const name = form.value.name.trim()
  say.done(into.value ? `${name}: version ${into.value.versions.length}.` : `${name} is in your recipes.`)
  open.value = false
}
const intoOptions = computed(() => [
  { value: '', label: 'a new recipe' },
  ...book.recipes.map(({ id, name, versions }) => ({ value: id, label: `version ${versions.length + 1} of ${name}` })),
])
</script>

<template>
  <el-dialog v-model="open" title="Save as a recipe" width="480px">
    <form class="stack" novalidate @submit.prevent="save">
      <PickField v-model="form.intoId" label="As" :options="intoOptions" placeholder="a new recipe" />
      <WordField v-model="form.name" label="Name of the recipe" :problem="shown.name" />
      <WordField v-model="form.note" label="What is different" placeholder="less salt, more carrot" />
      <p v-if="!recipePlanOf(plan, book.book)" class="problem" role="alert">
        Weigh in at least one ingredient of the library and give every figure; a recipe keeps no parts of lots.
      </p>
      <div class="row">
        <el-button type="primary" native-type="submit" :loading="busy">Save the recipe</el-button
        ><el-button @click="open = false">Not now</el-button>
      </div>
    </form>
  </el-dialog>
</template>
