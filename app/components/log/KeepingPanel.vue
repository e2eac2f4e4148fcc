<script setup lang="ts">
import { computed, ref } from 'vue'
import { useInstall } from '~/composables/useInstall'
import { useBook } from '~/stores/book'
import { useKeeping } from '~/stores/keeping'
import { PROBLEM_WORDS } from '~/words/keepingWords'

/** Where the log lies, what guards it, and how to be rid of it. */
const keeping = useKeeping()
const book = useBook()
void keeping.lookWhetherItStays()

const copyWords = computed(() => {
  const { witnessed = 0, damaged = 0 } = keeping.found ?? {}
  switch (keeping.copyState) {
    case 'asked':
      return 'The second copy is being looked at …'
    case 'none':
      return 'This browser has no place for a second copy. Save archives often.'
    case 'failing':
      return 'The second copy could not be written. Save an archive today.'
    default:
      return `A second copy is written beside it before anything is called recorded${witnessed ? `; at the start it held ${witnessed} of your entries` : ''}.${damaged ? ` ${damaged} of its lines could not be read; what they said is in the log, or was never confirmed.` : ''}`
  }
})
const stays = computed(() =>
  keeping.persisted
    ? 'The browser has promised not to clear it away by itself.'
    : 'The browser has not promised to keep it: short of space, it may clear all of it away. It is asked with your first entry, and often says yes once a page is installed or used often.',
)
const { offered, install } = useInstall()
const erasing = ref(false)
const typed = ref('')
const asked = ref(false)
const WORD = 'erase'
const problem = computed(() =>
  asked.value && typed.value.trim().toLowerCase() !== WORD ? `Type "${WORD}" to go on; nothing was erased.` : null,
)
async function erase() {
  asked.value = true
  if (!problem.value) await keeping.erase()
}
</script>

<template>
  <section class="sheet" aria-label="On this device">
    <h2>On this device</h2>
    <p v-if="keeping.problem" class="problem">{{ PROBLEM_WORDS[keeping.problem].what }}</p>
    <template v-else>
      <p>
        The log lies in this browser, on this device, and nowhere else unless you save it or
        <NuxtLink to="/devices">share it with your other devices</NuxtLink>. {{ copyWords }}
      </p>
      <p data-figure="stays">{{ stays }}</p>
      <p class="muted small">
        Clearing this site's data takes both copies with it, and so does losing the device: an archive elsewhere is what
        helps then.
      </p>
    </template>
    <div class="row">
      <el-button v-if="offered" @click="install">Install it here</el-button>
      <el-button :disabled="keeping.problem === 'aside'" @click="erasing = true">Erase this log …</el-button>
    </div>
    <el-dialog v-model="erasing" title="Erase this log" width="480px" append-to-body>
      <form class="stack" novalidate @submit.prevent="erase">
        <p>
          {{ book.entries?.length ?? 0 }} entries, their pictures, begun forms and the second copy are removed from this
          device. An archive you saved elsewhere is not touched, and can be brought in again.
        </p>
        <WordField v-model="typed" :label="`Type &quot;${WORD}&quot;`" :problem="problem" />
        <div class="row">
          <el-button type="danger" native-type="submit">Erase it all</el-button>
          <el-button @click="erasing = false">Leave it</el-button>
        </div>
      </form>
    </el-dialog>
  </section>
</template>
