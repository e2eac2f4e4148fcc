<script setup lang="ts">
import { computed, ref } from 'vue'
import { STYLES, styleById, type StyleId } from '@lactofer/core'
import { nameOf, type PlanForm } from '~/forms/planForm'
import { asUsual, changeStyle, type StyleChange } from '~/forms/styleChange'

/** What a plan is: its name and code, its style with what was said before kept, its target, one bowl or not. */
const form = defineModel<PlanForm>({ required: true })
const { suggestedCode, nameProblem, codeProblem } = defineProps<{
  suggestedCode: string
  nameProblem: string | null
  codeProblem: string | null | undefined
}>()
const style = computed(() => styleById(form.value.style))
/** A mash is ground; for everything else the cut decides how fast the pieces follow their liquid. */
const cutMatters = computed(() => style.value.judgedBy === 'acid' && style.value.usualCut !== 'ground')
const CUT_OPTIONS = [
  { value: 'fine', label: 'fine' },
  { value: 'coarse', label: 'in pieces' },
  { value: 'whole', label: 'whole' },
] as const

/** What was said before the style was changed, and stayed. */
const changeWords = ref<Pick<StyleChange, 'kept' | 'lost'>>({ kept: null, lost: null })
function chooseStyle(id: StyleId) {
  const changed = changeStyle(form.value, id)
  form.value = changed.form
  changeWords.value = changed
}
function takeUsual() {
  form.value = asUsual(form.value)
  changeWords.value = { kept: null, lost: null }
}
</script>

<template>
  <section class="sheet" aria-label="What it is">
    <div class="fields identity">
      <WordField
        v-model="form.name"
        label="Name on the tape"
        :placeholder="nameOf(form) || 'Fresno mash'"
        :problem="nameProblem"
      />
      <WordField v-model="form.code" label="Lot code" :placeholder="suggestedCode" :problem="codeProblem" />
      <PickField
        :model-value="form.style"
        label="Style"
        :options="STYLES.map(({ id, name }) => ({ value: id, label: name }))"
        @update:model-value="chooseStyle"
      />
      <QuantityField
        v-if="style.ferments"
        v-model="form.targetPh"
        kind="ph"
        label="Target pH"
        :limits="{ low: 2.5, high: 4.2 }"
        no-take
      />
    </div>
    <PickField v-if="cutMatters" v-model="form.cut" label="Cut" :options="CUT_OPTIONS" class="cut" />
    <p v-if="changeWords.kept" class="small" role="status" data-figure="kept">
      Kept as you said it: {{ changeWords.kept }}.
      <el-button @click="takeUsual">Take what is usual here</el-button>
    </p>
    <p v-if="changeWords.lost" class="small" role="status" data-figure="lost">
      Your {{ changeWords.lost }} means nothing in this style: what is usual here stands instead.
    </p>
    <div class="about">
      <p class="small muted">{{ style.name }}: {{ style.what }}; usually {{ style.days.words }}.</p>
      <el-checkbox v-model="form.bowl">Mix it in one bowl, split into lots</el-checkbox>
    </div>
  </section>
</template>

<style scoped>
.about p {
  flex: 1 1 300px;
}
.about .el-checkbox {
  margin-right: 0;
}
.about {
  display: flex;
  flex-wrap: wrap;
  gap: 0 var(--s4);
  align-items: center;
  justify-content: space-between;
}
.cut {
  max-width: 220px;
}
@media (min-width: 901px) {
  .identity {
    grid-template-columns: 2.2fr 1fr 1.5fr 1fr;
  }
}
</style>
