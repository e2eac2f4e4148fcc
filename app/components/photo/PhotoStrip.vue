<script setup lang="ts">
import { ref } from 'vue'
import { usePhotoUrls } from '~/composables/usePhotos'

/** Pictures side by side; one opens large. */
const { ids, removable = false } = defineProps<{ ids: readonly string[]; removable?: boolean }>()
defineEmits<{ remove: [id: string] }>()
const urls = usePhotoUrls(() => ids)
const large = ref('')
</script>

<template>
  <ul v-if="ids.length" class="plain-list strip">
    <li v-for="(id, index) in ids" :key="id">
      <button
        v-if="urls.get(id)"
        type="button"
        class="picture"
        :aria-label="`Picture ${index + 1}, open large`"
        @click="large = id"
      >
        <img :src="urls.get(id)" alt="" />
      </button>
      <span v-else class="small muted missing">Picture not in this browser</span>
      <el-button
        v-if="removable"
        text
        size="small"
        :aria-label="`Take picture ${index + 1} out`"
        @click="$emit('remove', id)"
        >Take out</el-button
      >
    </li>
    <el-dialog
      :model-value="large !== ''"
      title="Picture"
      width="min(92vw, 900px)"
      append-to-body
      @update:model-value="large = ''"
      ><img v-if="large" :src="urls.get(large)" alt="Picture kept with the entry" class="large"
    /></el-dialog>
  </ul>
</template>

<style scoped>
.strip {
  display: flex;
  flex-wrap: wrap;
  gap: var(--s2);
}
li {
  display: grid;
  justify-items: start;
}
.picture {
  padding: 0;
  border: 1px solid var(--outline);
  border-radius: var(--radius);
  overflow: hidden;
  cursor: pointer;
  background: none;
  width: 84px;
  height: 64px;
}
.picture img {
  width: 100%;
  height: 100%;
  object-fit: cover;
  display: block;
}
.missing {
  width: 84px;
  min-height: 64px;
  border: 1px dashed var(--outline);
  border-radius: var(--radius);
  padding: 4px;
}
.large {
  max-width: 100%;
  display: block;
}
</style>
