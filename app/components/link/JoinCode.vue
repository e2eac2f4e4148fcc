<script setup lang="ts">
import { computed, onMounted, shallowRef } from 'vue'
import { say } from '~/composables/say'
import { askWorkshop } from '~/link/workshop'
import { codePicture } from '~/labels/codePicture'

/** The code that lets another device in: to be scanned, or carried over as a link. */
const { secret } = defineProps<{ secret: string }>()
/** Where other devices find this server, and what tells its certificate, where it was opened as a workshop. */
const workshop = shallowRef({ address: '', first: '', fingerprint: '' })
onMounted(async () => (workshop.value = await askWorkshop()))
const address = computed(() => `${workshop.value.address || location.origin}/join#${secret}`)
const cells = computed(() => codePicture(address.value))
/** A code with this address in it leads a phone to the phone itself. */
const onlyHere = computed(() => ['localhost', '127.0.0.1', '[::1]'].includes(new URL(address.value).hostname))
async function copy() {
  try {
    await navigator.clipboard.writeText(address.value)
    say.done('Copied. Whoever has this link can join: send it to yourself only.')
  } catch {
    say.problem('It could not be copied here. Scan the code.')
  }
}
</script>

<template>
  <div class="join">
    <svg :viewBox="`-4 -4 ${cells.size + 8} ${cells.size + 8}`" role="img" aria-label="Code to join" data-join-code>
      <path :d="cells.path" />
    </svg>
    <div class="stack">
      <ol>
        <li v-if="workshop.first">
          A device that comes for the first time opens <a :href="workshop.first">{{ workshop.first }}</a> and does the
          three steps there. The fingerprint it shows has to be
          <code class="fingerprint" data-figure="fingerprint"
            ><template v-for="(pair, at) in workshop.fingerprint.split(':')" :key="at"
              ><template v-if="at">:</template><wbr />{{ pair }}</template
            ></code
          >
        </li>
        <li>Open the camera of the phone or tablet, and hold it on the code.</li>
        <li>Open the link it shows, and press “Join”.</li>
      </ol>
      <p v-if="onlyHere" class="small" data-figure="only-here">
        <StateMark level="ask" word="Only on this machine" /> This code leads to {{ address.split('/')[2] }}, which no
        other device reaches. Open Lactofer under an address that they reach, too: <code>npm start -- --workshop</code>
        serves one.
      </p>
      <p class="small muted">The code is the key: who has it reads and writes all that is shared.</p>
      <div><el-button @click="copy">Copy the link</el-button></div>
    </div>
  </div>
</template>

<style scoped>
.join {
  display: grid;
  grid-template-columns: minmax(150px, 210px) minmax(min(100%, 200px), 1fr);
  gap: var(--s4);
  align-items: start;
}
svg {
  background: #fff;
  color: #14211c;
  fill: currentColor;
  width: 100%;
  border: 1px solid var(--outline);
}
.fingerprint {
  display: block;
  font-size: 13px;
}
ol {
  margin: 0;
  padding-left: 1.2em;
}
@media (max-width: 520px) {
  .join {
    grid-template-columns: 1fr;
  }
  svg {
    max-width: 260px;
  }
}
</style>
