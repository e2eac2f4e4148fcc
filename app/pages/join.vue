<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { counted } from '@lactofer/core'
import { useBook } from '~/stores/book'
import { useDeviceName } from '~/composables/useDeviceName'
import { useLink } from '~/stores/link'

/** A device joins the room of a code that it scanned. The key stands behind the #, which no browser sends anywhere. */
const link = useLink()
const book = useBook()
const route = useRoute()
const secret = ref('')
const problem = ref('')
// It does not stay in the address, nor in what the browser remembers of it.
watch(
  () => route.hash,
  (hash) => {
    if (!hash) return
    secret.value = hash.slice(1)
    problem.value = ''
    void navigateTo('/join', { replace: true })
  },
  { immediate: true },
)
const { name, called, problem: nameProblem } = useDeviceName()
const own = computed(() => (book.entries ?? []).filter(({ origin }) => origin === 'maker').length)
async function join() {
  if (!called.value) return
  if (await link.join(secret.value, called.value)) await navigateTo('/devices')
  else problem.value = 'This code cannot be read. Show it again on the other device, under Devices, and scan it anew.'
}
</script>

<template>
  <div class="page">
    <header><h1>Join the workshop</h1></header>
    <section class="sheet" aria-label="Join">
      <p v-if="!secret" class="problem" role="alert">
        There is no code in this address. Show it on the other device, under Devices, and scan it.
      </p>
      <template v-else>
        <p>
          This device and the others will have one log. What the others wrote comes here<template v-if="own"
            >; your {{ counted(own, 'entry', 'entries') }} on this device go to them</template
          >. The demo stays where it is.
        </p>
        <p v-if="link.secret && link.secret !== secret">
          This device is in another room. It leaves that one; what came from there stays in its log.
        </p>
        <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
        <form class="fields" novalidate @submit.prevent="join">
          <WordField v-model="name" label="What this device is called" :problem="nameProblem" />
          <el-button type="primary" native-type="submit" class="low">Join</el-button>
        </form>
      </template>
    </section>
  </div>
</template>
