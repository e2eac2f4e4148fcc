<script setup lang="ts">
import { computed, ref } from 'vue'
import { useLink } from '~/stores/link'
import { linkWords } from '~/words/linkWords'

/** Devices that share a folder something carries from one to the other. */
const { called } = defineProps<{
  /** What this device is called; empty where that cannot be its name. */
  called: string
}>()
const link = useLink()
const words = computed(() => linkWords(link.folderTold ?? null))
const asks = computed(() => link.folderTold?.state === 'asks')
const problem = ref('')
async function choose() {
  problem.value = called ? '' : 'Say first what this device is called.'
  if (called) await link.chooseFolder(called)
}
</script>

<template>
  <section class="sheet" aria-label="A folder">
    <h2>A folder</h2>
    <template v-if="link.folder">
      <p data-figure="folder">
        <StateMark :level="words.level" :word="words.short" />
        {{ words.sentence === `${words.short}.` ? '' : words.sentence }} Shared through
        <strong>{{ link.folder.name }}</strong>.
      </p>
      <ul v-if="link.folderTold?.refused.length" class="plain-list">
        <li v-for="why in link.folderTold.refused" :key="why" class="small">
          <StateMark level="ask" word="Cannot be read" /> {{ why }} The rest of it was; it is read again when it
          changes.
        </li>
      </ul>
      <p class="muted small">Lines in these files are readable by whoever opens the folder.</p>
      <div class="row">
        <el-button v-if="asks" type="primary" @click="link.allowFolder()">Allow it</el-button>
        <el-button @click="choose">Another folder …</el-button>
        <el-button @click="link.leave('folder')">No folder any more</el-button>
      </div>
    </template>
    <template v-else-if="link.canChoose()">
      <p>
        Without a server: choose a folder that is carried from device to device, by a service that keeps folders alike,
        a network share or a stick. Each device writes a file of its own there and reads the others'.
      </p>
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <div class="row"><el-button @click="choose">Choose a folder …</el-button></div>
    </template>
    <p v-else class="muted">This browser lets no folder be chosen. The link works here.</p>
  </section>
</template>
