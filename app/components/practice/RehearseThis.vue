<script setup lang="ts">
import { useFitting } from '~/composables/useFitting'
import { useRehearsal } from '~/composables/useRehearsal'

/** From any page: an exercise that fits where one stands, and the guide. */
const fitting = useFitting()
const { begin, busy, problem } = useRehearsal()
defineEmits<{ gone: [] }>()
</script>

<template>
  <div class="ways">
    <p v-if="fitting">
      Unsure here? <el-button :loading="busy" @click="begin(fitting)">Rehearse this: {{ fitting.title }}</el-button>
    </p>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <p class="links">
      <NuxtLink to="/guide" @click="$emit('gone')">The guide</NuxtLink>
      <NuxtLink to="/rehearse" @click="$emit('gone')">All exercises</NuxtLink>
      <NuxtLink to="/rehearse/questions" @click="$emit('gone')">Quick questions</NuxtLink>
    </p>
  </div>
</template>

<style scoped>
.ways {
  display: grid;
  gap: var(--s2);
}
.links {
  display: flex;
  flex-wrap: wrap;
  gap: 0 var(--s4);
}
.links a {
  min-height: var(--touch);
  display: inline-flex;
  align-items: center;
}
</style>
