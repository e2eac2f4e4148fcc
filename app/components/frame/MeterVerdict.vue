<script setup lang="ts">
/** Whether a meter may be used after its buffers, and why. */
defineProps<{ accepted: boolean; sentence: string }>()
</script>

<template>
  <p><StateMark :level="accepted ? 'fine' : 'discard'" :word="accepted ? 'Accepted' : 'Refused'" /> {{ sentence }}</p>
</template>
