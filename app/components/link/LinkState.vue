<script setup lang="ts">
import { computed } from 'vue'
import IconShared from '~icons/lucide/refresh-cw'
import IconAway from '~icons/lucide/refresh-cw-off'
import { useLink } from '~/stores/link'
import { linkWords } from '~/words/linkWords'

/** Where the other devices stand, on every page; nothing while no way to them is switched on. */
const link = useLink()
const ways = computed(() => [
  ...(link.secret ? [linkWords(link.roomTold ?? null)] : []),
  ...(link.folder ? [linkWords(link.folderTold ?? null)] : []),
])
/** What is worth saying first: a way that somebody has to see to. */
const said = computed(() => ways.value.find(({ level }) => level !== 'fine') ?? ways.value[0])
</script>

<template>
  <NuxtLink v-if="said" to="/devices" :class="['link-state', said.level]" :title="said.sentence" data-figure="link">
    <component :is="said.level === 'fine' ? IconShared : IconAway" aria-hidden="true" />
    <span>{{ said.short }}</span>
    <span class="visually-hidden">: {{ said.sentence }} Devices</span>
  </NuxtLink>
</template>

<style scoped>
.link-state {
  display: inline-flex;
  align-items: center;
  gap: 5px;
  min-height: 44px;
  padding: 0 var(--s2);
  color: inherit;
  font-size: 14px;
  text-decoration: none;
  white-space: nowrap;
}
.link-state:hover {
  text-decoration: underline;
}
</style>
