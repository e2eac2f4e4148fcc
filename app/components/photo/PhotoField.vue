<script setup lang="ts">
import { ref } from 'vue'
import IconCamera from '~icons/lucide/camera'
import { InvalidInput } from '@lactofer/core'
import { keepPhoto } from '~/composables/usePhotos'

/** Pictures from the camera or a file, reduced and kept in this browser. */
const { label = 'Add a picture' } = defineProps<{ label?: string }>()
const ids = defineModel<string[]>({ required: true })
const busy = ref(false)
const problem = ref('')
const MOST = 12

async function take(event: Event) {
  const input = event.target as HTMLInputElement
  const files = [...input.files ?? []]
  problem.value = ids.value.length + files.length > MOST ? `Keep it to ${MOST} pictures.` : ''
  if (!problem.value) {
    busy.value = true
    try {
      for (const file of files) ids.value = [...ids.value, await keepPhoto(file)]
    } catch (error) {
      problem.value = error instanceof InvalidInput ? error.message : 'The picture could not be kept: the browser may be out of room. Everything else is as you left it.'
    } finally {
      busy.value = false
    }
  }
  input.value = ''
}
</script>

<template>
  <div class="stack photos">
    <PhotoStrip :ids="ids" removable @remove="id => (ids = ids.filter(known => known !== id))" />
    <label class="file"><input type="file" class="visually-hidden" accept="image/*" multiple :aria-label="label" :disabled="busy" @change="take"><span aria-hidden="true"><IconCamera /> {{ busy ? 'Reducing …' : label }}</span></label>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  </div>
</template>

<style scoped>
.photos { gap: var(--s2); }
.file { position: relative; }
.file span { display: inline-flex; gap: var(--s2); align-items: center; min-height: var(--touch); padding: 0 var(--s4); border: 1px solid var(--el-border-color); border-radius: var(--radius); font-weight: 600; cursor: pointer; background: var(--surface); }
.file span:hover { border-color: var(--bottle); }
.file input:focus-visible + span { outline: 3px solid var(--ask); outline-offset: 2px; }
</style>
