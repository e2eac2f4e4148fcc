<script setup lang="ts">
import { computed } from 'vue'
import { sinceWords } from '~/words/backupWords'
import { useBackup } from '~/stores/backup'
import { useSaving } from './useSaving'

/** What this browser alone holds, on Today: one press away from being elsewhere too. */
const backup = useBackup()
const { busy, problem, save } = useSaving()
const words = computed(() => sinceWords(backup.since))
</script>

<template>
  <section v-if="backup.asks || backup.problem || backup.reminds" class="sheet remind" aria-label="Backup">
    <template v-if="backup.asks">
      <p>{{ words }}. The browser wants your yes before it writes to the folder again.</p>
      <PressButton kind="primary" :disabled="backup.busy" @click="backup.allow()">Allow it</PressButton>
    </template>
    <template v-else>
      <p>
        {{ backup.problem || `${words}: in this browser only.` }}
      </p>
      <div class="row">
        <PressButton kind="primary" :disabled="busy" @click="save(false)">Save an archive</PressButton>
        <PressButton v-if="backup.canShare()" :disabled="busy" @click="save(true)">Share it</PressButton>
      </div>
    </template>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  </section>
</template>

<style scoped>
.remind {
  grid-template-columns: 1fr auto;
  align-items: center;
  gap: var(--s2) var(--s4);
  padding: var(--s3) var(--s4);
}
@media (max-width: 700px) {
  .remind {
    grid-template-columns: 1fr;
  }
}
</style>
