<script setup lang="ts">
import { say } from '~/composables/say'
import { useDeviceName } from '~/composables/useDeviceName'
import { useLink } from '~/stores/link'
import { usePractice } from '~/stores/practice'

/** One workshop, several devices: how they share a log. */
const link = useLink()
const practice = usePractice()
const { name, called, problem } = useDeviceName()
async function keep() {
  if (!called.value) return
  await link.name(called.value)
  say.done(`The others see this device as “${called.value}” from now on.`)
}
</script>

<template>
  <div class="page">
    <header>
      <h1>Devices</h1>
      <p>
        The phone for the round, the tablet at the bench, the laptop for the books: one log on all of them. Nothing
        leaves this device until one of the two ways is switched on here.
      </p>
    </header>
    <p v-if="practice.on" class="sheet">
      Nothing of the practice loft is shared with anybody. Leave it to share your own log.
    </p>
    <div v-else class="split">
      <div class="stack">
        <RoomPanel :called="called" />
        <FolderPanel :called="called" />
      </div>
      <div class="stack">
        <section class="sheet">
          <h2>This device</h2>
          <form class="fields" novalidate aria-label="This device" @submit.prevent="keep">
            <WordField v-model="name" label="What it is called" :problem="problem" />
            <el-button v-if="link.device" native-type="submit" class="low">Keep it</el-button>
          </form>
        </section>
        <FromOthers />
      </div>
    </div>
  </div>
</template>
