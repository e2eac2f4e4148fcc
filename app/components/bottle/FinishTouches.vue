<script setup lang="ts">
import { computed } from 'vue'
import type { BottleFormat, Treatment } from '@lactofer/core'
import { CLOSING_OPTIONS, type RunForm } from '~/forms/runForm'

/** What is done to filled bottles: turned over while hot, banded; a test bottle and its closing where they live. */
const { format, treatment, heats } = defineProps<{
  format: BottleFormat | null
  treatment: Treatment
  heats: boolean
}>()
const form = defineModel<RunForm>({ required: true })
const hot = computed(() => treatment === 'cooked-hot-fill')
</script>

<template>
  <template v-if="!heats">
    <el-checkbox v-model="form.testBottle"
      >One plastic test bottle filled: Today asks for a squeeze every third day</el-checkbox
    >
    <PickField v-model="form.closing" label="Closed" :options="CLOSING_OPTIONS" />
  </template>
  <div v-if="hot || format?.band" class="touches" role="group" aria-label="Finishing touches">
    <template v-if="hot">
      <QuantityField
        v-model="form.heldMin"
        kind="number"
        label="Closed and held hot, minutes"
        :limits="{ low: 0, high: 120, unit: 'min' }"
        hint="where your process asks for it"
        optional
      />
      <p class="small muted">From capping until it is cooled, at filling temperature.</p>
      <QuantityField
        v-model="form.turnedMin"
        kind="number"
        label="Turned over, minutes"
        :limits="{ low: 0, high: 15, unit: 'min' }"
        hint="two or more: hot sauce on cap and neck"
        optional
      />
      <p class="small muted">
        Cap first, hold it in a cloth, turn it at once. The turn warms cap and neck; it stands in no heat record, and
        mends no bottle that was too cool.
      </p>
    </template>
    <template v-if="format?.band">
      <el-checkbox v-model="form.bands">Shrink bands on</el-checkbox>
      <p class="small muted">
        Dry the neck, slip it on, dip it for two or three seconds into hot water of about
        <TemperatureText :temp-c="85" /> and turn. Not with bottles from the cold: glass bursts. A band shows that
        nobody opened it; it seals nothing.
      </p>
    </template>
  </div>
</template>

<style scoped>
.touches {
  display: grid;
  grid-template-columns: minmax(170px, auto) 1fr;
  gap: var(--s2) var(--s4);
  align-items: center;
}
@media (max-width: 620px) {
  .touches {
    grid-template-columns: 1fr;
  }
}
</style>
