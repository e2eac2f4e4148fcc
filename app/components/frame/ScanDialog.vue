<script setup lang="ts">
import { computed, onBeforeUnmount, ref, watch } from 'vue'
import { useBook } from '~/stores/book'

/**
 * Opens a lot by the code on its label: with the camera where the browser reads codes, by typing the short code where
 * not. The code that lets a device into the workshop is read here too.
 */
const open = defineModel<boolean>({ required: true })
const book = useBook()
const router = useRouter()
const code = ref('')
const problem = ref('')
const video = ref<HTMLVideoElement | null>(null)
let stream: MediaStream | null = null
let timer: ReturnType<typeof setInterval> | undefined
let starting: ReturnType<typeof setTimeout> | undefined

interface CodeReader {
  detect: (source: HTMLVideoElement) => Promise<{ rawValue: string }[]>
}
const Reader = (globalThis as { BarcodeDetector?: new (options: { formats: string[] }) => CodeReader }).BarcodeDetector
const canScan = computed(() => Reader !== undefined && 'mediaDevices' in navigator)

/** The camera is let go, also one that was asked for and comes only now. */
function stop() {
  clearTimeout(starting)
  clearInterval(timer)
  stream?.getTracks().forEach((track) => track.stop())
  stream = null
}
/** Goes to a lot by what a label says: its link, or the short code on the tape, with or without a jar's mark. */
function go(text: string): boolean {
  const secret = /\/join#([\w-]+)$/.exec(text)?.[1]
  if (secret) {
    open.value = false
    void router.push({ path: '/join', hash: `#${secret}` })
    return true
  }
  const id = /\/(?:ferment\/|cellar\?lot=)([0-9A-HJKMNP-TV-Z]{26})/.exec(text)?.[1]
  const short = text.trim().toLowerCase()
  const byCode =
    book.lots.find((lot) => lot.code.toLowerCase() === short) ??
    book.lots.findLast((lot) => lot.formerCodes.some((code) => code.toLowerCase() === short)) ??
    book.lots.find((lot) => lot.packed?.vessels.some((vessel) => `${lot.code}${vessel.mark}`.toLowerCase() === short))
  const lot = id ? book.lot(id) : byCode
  if (!lot) return false
  open.value = false
  void router.push(lot.kind === 'ferment' ? `/ferment/${lot.id}` : { path: '/cellar', query: { lot: lot.id } })
  return true
}
/** It may close while the camera is being asked for. */
const closed = () => !open.value
async function look() {
  if (!Reader) return
  try {
    stream = await navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment' } })
    if (closed() || !video.value) return stop()
    video.value.srcObject = stream
    await video.value.play()
    if (closed()) return stop()
    const reader = new Reader({ formats: ['qr_code'] })
    timer = setInterval(async () => {
      const found = video.value ? await reader.detect(video.value).catch(() => []) : []
      const text = found[0]?.rawValue
      if (text && !go(text)) problem.value = 'This code belongs to no lot in this log. Type the code on the tape.'
    }, 250)
  } catch {
    stop()
    problem.value = 'The camera cannot be used here. Type the code on the tape.'
  }
}
// At once: fetched when it is first opened, it is open when it comes.
watch(
  open,
  (now) => {
    code.value = problem.value = ''
    if (now && canScan.value) starting = setTimeout(look, 60)
    else if (!now) stop()
  },
  { immediate: true },
)
onBeforeUnmount(stop)
function typed() {
  problem.value = !code.value.trim()
    ? 'Type the code on the tape: LF-01.'
    : go(code.value)
      ? ''
      : `No lot “${code.value.trim()}” in this log.`
}
</script>

<template>
  <el-dialog v-model="open" title="Open a lot by its label" width="440px">
    <div class="stack">
      <video v-if="canScan" ref="video" muted playsinline aria-label="Camera" />
      <p v-else class="muted">This browser does not read codes with the camera. The short code does the same.</p>
      <form class="row" novalidate @submit.prevent="typed">
        <WordField v-model="code" label="Code on the tape" placeholder="LF-01" :problem="problem" /><el-button
          type="primary"
          native-type="submit"
          class="low"
          >Open</el-button
        >
      </form>
    </div>
  </el-dialog>
</template>

<style scoped>
video {
  width: 100%;
  aspect-ratio: 4 / 3;
  background: var(--steel);
  border-radius: var(--radius);
  object-fit: cover;
}
.row > :first-child {
  flex: 1;
}
</style>
