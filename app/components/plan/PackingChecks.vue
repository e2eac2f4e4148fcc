<script setup lang="ts">
import { computed } from 'vue'
import { PACKING_CHECKS, styleById, type PackingCheck, type StyleId } from '@lactofer/core'

/** What the style wants looked at before packing; ticked into the log, unticked ones as well. */
const done = defineModel<PackingCheck[]>({ required: true })
const { styleId } = defineProps<{ styleId: StyleId }>()
const checks = computed(() =>
  styleById(styleId).checks.flatMap((id) => PACKING_CHECKS.filter((check) => check.id === id)),
)
const toggle = (id: PackingCheck, on: boolean) =>
  (done.value = on ? [...done.value, id] : done.value.filter((one) => one !== id))
</script>

<template>
  <section class="sheet" aria-label="Before packing">
    <h2>Before packing</h2>
    <ul class="plain-list">
      <li v-for="check in checks" :key="check.id">
        <el-checkbox
          :model-value="done.includes(check.id)"
          @update:model-value="(value) => toggle(check.id, Boolean(value))"
          >{{ check.text }}</el-checkbox
        >
        <p class="muted small">{{ check.why }}</p>
      </li>
    </ul>
  </section>
</template>

<style scoped>
ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 290px), 1fr));
  gap: var(--s1) var(--s4);
}
p {
  margin: -10px 0 0 22px;
}
</style>
