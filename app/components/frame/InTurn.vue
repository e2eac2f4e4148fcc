<script setup lang="ts">
import { onBeforeUnmount, ref } from 'vue'
import { inTurn } from '~/clock/breathe'

/** A part of a page that is drawn after the parts before it, in a task of its own: in between the page answers. */
const drawn = ref(false)
onBeforeUnmount(inTurn(() => (drawn.value = true)))
</script>

<template><slot v-if="drawn" /></template>
