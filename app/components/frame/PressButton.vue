<script setup lang="ts">
/** A button that looks like all others, without the library's code behind it: for what every first page shows. */
const { kind = 'plain' } = defineProps<{ kind?: 'plain' | 'primary' | 'text'; disabled?: boolean }>()
const LOOKS = { plain: '', primary: 'el-button--primary', text: 'is-text' }
</script>

<template>
  <button
    type="button"
    :class="['el-button', LOOKS[kind], { 'is-disabled': disabled }]"
    :disabled="disabled"
    :aria-disabled="disabled"
  >
    <slot />
  </button>
</template>
