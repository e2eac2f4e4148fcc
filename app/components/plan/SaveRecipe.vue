<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { ElMessage } from 'element-plus'
import { PlainNameSchema } from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import type { PlanForm } from '~/forms/planForm'
import { recipePlanOf } from '~/forms/planResults'
import { useRecorder } from '~/composables/useRecorder'
import { newLotId, useBook } from '~/stores/book'

/** Keeps the plan as a recipe: a new one, or the next version of one. Older versions stay. */
const open = defineModel<boolean>({ required: true })
const { form } = defineProps<{ form: PlanForm }>()
const book = useBook()
const { busy, record } = useRecorder()
const name = ref('')
const note = ref('')
const asked = ref(false)
const intoId = ref('')
watch(open, (now) => {
  if (!now) return
  asked.value = false
  note.value = ''
  name.value = form.name
  intoId.value = form.recipeId && book.recipes.some((recipe) => recipe.id === form.recipeId) ? form.recipeId : ''
})
const into = computed(() => book.recipes.find((recipe) => recipe.id === intoId.value))
const problem = computed(() => {
  const parsed = PlainNameSchema.safeParse(name.value)
  return parsed.success ? null : (parsed.error.issues[0]?.message ?? null)
})
async function save() {
  asked.value = true
  const plan = recipePlanOf(form, book.book)
  if (problem.value || !plan) return
  const written = await record({
    kind: 'recipe',
    at: nowMoment(),
    recipeId: intoId.value || newLotId(),
    name: name.value.trim(),
    plan,
    ...(note.value.trim() && { note: note.value.trim().slice(0, 500) }),
  })
  if (!written) return
  ElMessage.success(
    into.value
      ? `${name.value.trim()}: version ${into.value.versions.length}.`
      : `${name.value.trim()} is in your recipes.`,
  )
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
      <PickField v-model="intoId" label="As" :options="intoOptions" placeholder="a new recipe" />
      <WordField v-model="name" label="Name of the recipe" :problem="asked ? problem : null" />
      <WordField v-model="note" label="What is different" placeholder="less salt, more carrot" />
      <p v-if="!recipePlanOf(form, book.book)" class="problem" role="alert">
        Weigh in at least one ingredient of the library and give every figure; a recipe keeps no parts of lots.
      </p>
      <div class="row">
        <el-button type="primary" native-type="submit" :loading="busy">Save the recipe</el-button
        ><el-button @click="open = false">Not now</el-button>
      </div>
    </form>
  </el-dialog>
</template>
