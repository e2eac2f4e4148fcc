<script setup lang="ts">
import type { Property, Range, Target } from '@lactofer/core'

/** A ruler that holds its target: the band is moved on it, and its other side stands below when it is turned over. */
const target = defineModel<Target>({ required: true })
const turned = defineModel<boolean>('turned', { required: true })
const { property, value } = defineProps<{ property: Property; value: Range | null }>()
</script>

<template>
  <div :class="{ turned }">
    <PropertyRuler :property="property" :value="value" :target="target" turns :turned="turned" @turn="turned = !turned"
      ><TargetGrips v-model="target" :property="property" :now="value?.typical ?? null"
    /></PropertyRuler>
    <section v-if="turned" class="back" :aria-label="`The other side of ${property}`"><slot /></section>
  </div>
</template>

<style scoped>
.turned {
  border-block: 1px solid var(--line);
  margin: var(--s2) 0;
  padding: var(--s1) 0 var(--s4);
}
.back {
  display: grid;
  gap: var(--s4);
  padding-top: var(--s2);
}
</style>
