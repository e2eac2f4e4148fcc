<script setup lang="ts">
/** Over plain http the browser withholds what a log needs: nothing is begun. */
const secure = globalThis.isSecureContext
</script>

<template>
  <AppFrame v-if="secure" />
  <LazyNotSecure v-else />
</template>
