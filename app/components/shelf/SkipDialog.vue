<script setup lang="ts">
import { ref } from 'vue'

/** Why a chore is passed over: one tap, or other words. */
defineProps<{ title: string }>()
const emit = defineEmits<{ skip: [why: string]; close: [] }>()
const REASONS = ['Looked: it does not want it', 'No time today', 'Somebody else does it'] as const
const reason = ref('')
</script>

<template>
  <el-dialog :model-value="true" :title="title" width="min(94vw, 420px)" @update:model-value="emit('close')">
    <div class="stack">
      <el-button v-for="why in REASONS" :key="why" class="why" @click="emit('skip', why)">{{ why }}</el-button>
      <WordField v-model="reason" label="Another reason" />
      <div><el-button type="primary" :disabled="!reason.trim()" @click="emit('skip', reason)">Skip it</el-button></div>
    </div>
  </el-dialog>
</template>

<style scoped>
html .why {
  margin: 0;
  white-space: normal;
  height: auto;
  min-height: var(--touch);
}
</style>
