<script setup lang="ts">
import { computed, ref, useId } from 'vue'
import type { VesselKind } from '@lactofer/core'

/** Takes a vessel, or several: "4 pint", "2 quart jars". */
const { vessels } = defineProps<{ vessels: readonly (VesselKind & { count: number })[] }>()
const emit = defineEmits<{ picked: [id: string, count: number] }>()
const id = useId()
/** Its list is made once somebody reaches for it: most are never opened. */
const reached = ref(false)
const typed = ref('')
/** A number in front counts, unless it belongs to the name: "2 L jar" is one. */
const asked = computed(() => {
  const [, count = '1', name = ''] =
    /^\s*(?:(\d{1,2})\s*(?:x|×)?\s+)?(.*?)s?\s*$/i.exec(typed.value.toLowerCase()) ?? []
  const named = (words: string) =>
    vessels.filter((vessel) => words.split(/[\s-]+/).every((word) => vessel.name.toLowerCase().includes(word)))
  const whole = named(typed.value.toLowerCase().trim())
  return whole.length ? { count: 1, found: whole } : { count: Math.min(40, Number(count)), found: named(name) }
})
function choose(vesselId: string) {
  emit('picked', vesselId, asked.value.count)
  typed.value = ''
}
</script>

<template>
  <div>
    <label :for="id" class="field-label">Choose yourself</label>
    <el-select
      :id="id"
      :persistent="reached"
      model-value=""
      filterable
      default-first-option
      :filter-method="(text: string) => (typed = text)"
      aria-label="Choose yourself"
      placeholder="4 pint jars"
      @change="choose"
      @visible-change="
        (open) => {
          if (!open) typed = ''
        }
      "
      @focus="reached = true"
    >
      <el-option v-for="vessel in asked.found" :key="vessel.id" :value="vessel.id" :label="vessel.name"
        ><template v-if="asked.count > 1">{{ asked.count }} × </template>{{ vessel.name }}</el-option
      >
    </el-select>
  </div>
</template>
