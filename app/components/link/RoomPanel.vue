<script setup lang="ts">
import { computed, ref } from 'vue'
import { say } from '~/composables/say'
import { useLink } from '~/stores/link'
import { linkWords, refusalWords } from '~/words/linkWords'

/** Devices joined through the server: switching it on, how it stands, the code, and who is put out. */
const { called } = defineProps<{
  /** What this device is called; empty where that cannot be its name. */
  called: string
}>()
const link = useLink()
const words = computed(() => linkWords(link.roomTold ?? null))
const refused = computed(() => refusalWords(link.roomTold?.refused ?? []))
const closed = computed(() => link.roomTold?.state === 'closed')
const busy = ref(false)
const problem = ref('')
/** The code is a key: it stands there only while somebody scans it. */
const showing = ref(false)
const changing = ref(false)
const clearing = ref(false)

/** @param work tells why it could not be, or nothing. */
async function attempt(work: () => Promise<string>, done: string) {
  busy.value = true
  problem.value = ''
  try {
    problem.value = await work()
  } catch {
    problem.value = 'This did not work, and nothing was changed. Try again.'
  }
  busy.value = changing.value = clearing.value = false
  if (!problem.value) say.done(done)
}
const open = () =>
  attempt(async () => {
    if (!called) return 'Say first what this device is called.'
    await link.openRoom(called)
    showing.value = true
    return ''
  }, 'The room is open: scan the code with the other devices.')
const change = () =>
  attempt(async () => {
    const why = await link.changeRoom()
    showing.value = !why
    return why
  }, 'The code is a new one: scan it with every device that stays.')
const clear = () => attempt(link.clear, 'The room is cleared; this log is left there anew.')
const leave = () =>
  attempt(async () => {
    await link.leave('room')
    return ''
  }, 'This device has left the room. What came stays in its log.')
</script>

<template>
  <section class="sheet" aria-label="The link">
    <h2>The link</h2>
    <template v-if="link.secret">
      <p data-figure="room">
        <StateMark :level="words.level" :word="words.short" />
        {{ words.sentence === `${words.short}.` ? '' : words.sentence }}
      </p>
      <ul v-if="refused.length" class="plain-list">
        <li v-for="why in refused" :key="why" class="small"><StateMark level="ask" word="Refused" /> {{ why }}</li>
      </ul>
      <template v-if="closed">
        <p>Scan the new code with this device, or open a room of its own.</p>
      </template>
      <JoinCode v-else-if="showing" :secret="link.secret" />
      <p v-else>Entries and pictures pass between the devices of this room as they happen, sealed.</p>
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <div class="row">
        <el-button v-if="closed" type="primary" :loading="busy" @click="open">Open a new room</el-button>
        <template v-else>
          <el-button :type="showing ? 'default' : 'primary'" @click="showing = !showing">{{
            showing ? 'Hide the code' : 'Show the code'
          }}</el-button>
          <el-button @click="changing = true">Put a device out …</el-button>
          <el-button @click="clearing = true">Clear the room …</el-button>
        </template>
        <el-button @click="leave">Leave</el-button>
      </div>
    </template>
    <template v-else>
      <p>
        Entries and pictures pass between your devices through this server as they happen. They are sealed before they
        leave a device: the server stores them and cannot read a word.
      </p>
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <div class="row">
        <el-button type="primary" :loading="busy" @click="open">Open a room</el-button>
        <span class="small muted">To join one that is open, scan its code with this device.</span>
      </div>
    </template>
    <el-dialog v-model="changing" title="Put a device out" width="480px" append-to-body>
      <div class="stack">
        <p>
          The room gets a new code, and the old one opens nothing any more. Every device that stays scans the new one.
        </p>
        <p>A device that is put out keeps what it has by now. What is written from now on it does not get.</p>
        <div class="row">
          <el-button type="danger" :loading="busy" @click="change">Make a new code</el-button>
          <el-button @click="changing = false">Leave it</el-button>
        </div>
      </div>
    </el-dialog>
    <el-dialog v-model="clearing" title="Clear the room" width="480px" append-to-body>
      <div class="stack">
        <p>
          All parcels are taken off the server, and what is in this log is left there anew, in few parcels. No entry is
          lost on any device.
        </p>
        <div class="row">
          <el-button type="danger" :loading="busy" @click="clear">Clear it</el-button>
          <el-button @click="clearing = false">Leave it</el-button>
        </div>
      </div>
    </el-dialog>
  </section>
</template>
