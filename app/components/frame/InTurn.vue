<script setup lang="ts">
import { onBeforeUnmount, ref } from 'vue'
import { inTurn } from '~/clock/breathe'

/**
 * A part of a page that is drawn after the parts before it, in a task of its own: in between the page answers. With
 * `now` it is the first of many, and drawn with the page.
 */
const { now = false } = defineProps<{ now?: boolean }>()
const drawn = ref(now)
if (!now) onBeforeUnmount(inTurn(() => (drawn.value = true)))
</script>

<template><slot v-if="drawn" /></template>
