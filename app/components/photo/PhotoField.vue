<script setup lang="ts">
import { ref } from 'vue'
import IconCamera from '~icons/lucide/camera'
import { InvalidInput } from '@lactofer/core'
import { keepPhoto } from '~/composables/usePhotos'

/** Pictures from the camera or a file, reduced and kept in this browser. */
const { label = 'Add a picture' } = defineProps<{ label?: string }>()
const ids = defineModel<string[]>({ required: true })
/** Pictures are still being reduced: a form waits for them. */
const busy = defineModel<boolean>('busy', { default: false })
const problem = ref('')
const MOST = 12

async function take(files: File[]) {
  problem.value = ids.value.length + files.length > MOST ? `Keep it to ${MOST} pictures.` : ''
  if (problem.value) return
  busy.value = true
  try {
    for (const file of files) ids.value = [...ids.value, await keepPhoto(file)]
  } catch (error) {
    problem.value =
      error instanceof InvalidInput
        ? error.message
        : 'The picture could not be kept: the browser may be out of room. Everything else is as you left it.'
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <div class="stack photos">
    <PhotoStrip :ids="ids" removable @remove="(id) => (ids = ids.filter((known) => known !== id))" />
    <FileButton :label="label" accept="image/*" multiple :busy="busy" @files="take"
      ><IconCamera /> {{ busy ? 'Reducing …' : label }}</FileButton
    >
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  </div>
</template>

<style scoped>
.photos {
  gap: var(--s2);
}
</style>
