<script setup lang="ts">
import { computed } from 'vue'

/** The salt that went in no longer fits what was weighed: how much is missing, or that there is too much. */
const { wantedG, takenG } = defineProps<{ wantedG: number; takenG: number }>()
const emit = defineEmits<{ more: [] }>()
const missingG = computed(() => wantedG - takenG)
const tooSaltyWords = computed(() =>
  missingG.value < 0 ? 'Put in a little more of everything else, or mend it on the lot’s page.' : '',
)
</script>

<template>
  <section class="sheet" aria-label="Salt">
    <p>
      <StateMark level="act" word="The salt no longer fits" /> What was weighed wants
      <strong><SaidText :text="`${wantedG.toFixed(1)} g`" /></strong>, and
      <SaidText :text="`${takenG.toFixed(1)} g`" /> went in. {{ tooSaltyWords }}
    </p>
    <div v-if="missingG > 0">
      <el-button type="primary" @click="emit('more')"
        >Weigh <SaidText :text="`${missingG.toFixed(1)} g`" /> more</el-button
      >
    </div>
  </section>
</template>
