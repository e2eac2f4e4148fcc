<script setup lang="ts">
import { ref } from 'vue'
import IconClose from '~icons/lucide/x'
import IconTool from '~icons/lucide/sliders-horizontal'
import { useInstruments } from '~/stores/instruments'

/** The page at the scale: what is weighed in, the way to the simulated bench, the way out; every weight is kept. */
defineProps<{ code: string; name: string; note?: string; leave: string; problem: string }>()
const instruments = useInstruments()
const benchOpen = ref(false)
</script>

<template>
  <div class="page weigh">
    <header>
      <h1><span class="code">{{ code }}</span> {{ name }}</h1>
      <p v-if="note">{{ note }}</p>
      <span class="tools"
        ><button
          v-if="instruments.simulates"
          type="button"
          aria-label="Set up the simulated bench"
          @click="benchOpen = true"
        >
          <IconTool aria-hidden="true" /></button
        ><NuxtLink :to="leave" aria-label="Leave; every weight is kept"><IconClose aria-hidden="true" /></NuxtLink
      ></span>
    </header>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <div class="halves"><slot /></div>
    <BenchDialog v-if="instruments.simulates" v-model="benchOpen" />
  </div>
</template>

<style scoped>
.weigh {
  max-width: 1360px;
  margin: 0 auto;
  width: 100%;
}
.weigh > header {
  align-items: center;
}
.tools {
  margin-left: auto;
  display: flex;
  gap: var(--s2);
}
.tools > * {
  width: 48px;
  height: 48px;
  display: grid;
  place-items: center;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
  color: inherit;
  cursor: pointer;
}
.halves {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(300px, 380px);
  gap: var(--s5);
  align-items: start;
}
@media (max-width: 860px) {
  .halves {
    grid-template-columns: minmax(0, 1fr);
    gap: var(--s3);
  }
  .weigh > header {
    flex-wrap: nowrap;
  }
  .weigh > header h1 {
    font-size: 20px;
    min-width: 0;
  }
  .weigh > header p {
    display: none;
  }
}
</style>
