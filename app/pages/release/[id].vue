<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { say } from '~/composables/say'
import { APPROVAL, checksOf, correctedSince, mayRelease, RELEASE_PH, wayOf, type Draft } from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { fullDay, fullMoment } from '~/clock/moments'
import { useForm, type Problems } from '~/composables/useForm'
import { useBook } from '~/stores/book'

/** Release or hold bottles: every check with the facts it rests on, and the initials of who answers for it. */
const book = useBook()
const route = useRoute()
const lot = computed(() => book.lot(String(route.params.id)))
const made = computed(() => (lot.value?.made.kind === 'bottle' ? lot.value.made : null))
const source = computed(() => made.value && book.lot(made.value.fromLotId))
const limitPh = ref<number | null>(RELEASE_PH.usual)
watch(
  () => lot.value?.release?.limitPh ?? made.value?.process?.maxPh,
  (limit) => {
    if (limit) limitPh.value = limit
  },
  { immediate: true },
)
const { form, shown, busy, confirm, asked } = useForm({
  fresh: () => ({ initials: '', note: '' }),
  problems: (): Problems<'initials'> => ({
    initials: /^[\p{L}.]{1,6}$/u.test(form.value.initials.trim())
      ? null
      : 'Your initials: one to six letters. They stand on the record.',
  }),
})
const checks = computed(() =>
  lot.value && limitPh.value !== null ? checksOf(book.book, book.judge, lot.value, book.nowMs, limitPh.value) : null,
)
/** As far as its process allows, or Lactofer does. */
const highest = computed(() => made.value?.process?.maxPh ?? RELEASE_PH.highest)
const stand = computed(() => (lot.value ? book.judgementOf(lot.value) : null))
const free = computed(() => checks.value !== null && mayRelease(checks.value))
const corrected = computed(() => (lot.value ? correctedSince(book.book, lot.value) : null))
const STATE = { released: { level: 'fine', word: 'Released' }, held: { level: 'ask', word: 'Held' } } as const

/** The decision with every check as it stands; `null` where it may not be taken. */
function drafts(decision: 'released' | 'held'): Draft[] | null {
  if (!lot.value || limitPh.value === null || (decision === 'released' && !free.value)) return null
  const waits = checks.value?.find((check) => check.verdict !== 'pass')?.sentence
  const reason =
    form.value.note.trim() ||
    (decision === 'released' ? (waits ? `Looked at: ${waits}` : 'Every check passed.') : (waits ?? 'Held by hand.'))
  const stood = (checks.value ?? []).map(({ id, verdict, sentence }) => ({
    ...{ id, verdict, sentence: sentence.slice(0, 500) },
  }))
  return [
    {
      ...{ kind: 'release', at: nowMoment(), lotId: lot.value.id, decision, limitPh: limitPh.value },
      ...{ reason: reason.slice(0, 500), initials: form.value.initials.trim(), checks: stood },
    },
  ]
}
async function decide(event: Event, decision: 'released' | 'held') {
  if (!(await confirm(event, () => drafts(decision)))) return
  say.done(decision === 'released' ? 'Released. It may leave the cellar.' : 'Held. Today shows what it waits for.')
  // Who answers for it stays; the next note is another.
  asked.value = false
  form.value.note = ''
}
</script>

<template>
  <div v-if="!lot || !made" class="page">
    <p class="sheet">
      {{ book.ready ? 'These bottles are not in the log.' : 'Opening the log …' }}
      <NuxtLink to="/bottle">Bottle</NuxtLink>
    </p>
  </div>
  <div v-else class="page">
    <header>
      <h1><span class="code">{{ lot.code }}</span> {{ lot.name }}</h1>
      <p>
        {{ lot.bottles?.left }} of {{ made.count }} bottles of {{ made.bottleMl }} mL here;
        {{ wayOf(made.treatment).name.toLowerCase() }}; best before {{ fullDay(made.bestBefore) }}.
      </p>
    </header>
    <div class="split">
      <section class="sheet" aria-label="Release checks">
        <div class="head">
          <h2>Release checks</h2>
          <StateMark v-if="lot.release" v-bind="STATE[lot.release.decision]" /><StateMark
            v-else
            level="ask"
            word="Not released yet"
          />
        </div>
        <p v-if="lot.release" class="small">
          {{ fullMoment(lot.release.at) }}, {{ lot.release.initials ?? lot.release.by }}, limit pH
          {{ lot.release.limitPh.toFixed(2) }}: {{ lot.release.reason }}
        </p>
        <p v-if="corrected" class="problem" role="alert">
          Something it rests on was corrected after it was released. Look at every check again.
        </p>
        <p v-if="!checks" class="problem">
          The blend it came from is not in this log: its checks cannot be worked out.
        </p>
        <ReleaseChecks v-else :checks="checks" />
        <StandLine v-if="stand && stand.make === 'stop'" :judgement="stand" />
        <h3>pH of a bottle</h3>
        <p class="muted small">
          <template v-if="made.chunky"
            >Three containers, opened a day after filling or later: drain each, blend its solids, read that.</template
          ><template v-else
            >A bottle of this run, opened and stirred, a day after it was filled. The highest counts. What is read in
            the pot after filling does not.</template
          >
        </p>
        <InTurn><ReadingForm :key="lot.id" :lot="lot" ph-only /></InTurn>
      </section>
      <aside class="stack">
        <InTurn
          ><section class="sheet">
            <h2>Release or hold</h2>
            <QuantityField
              v-model="limitPh"
              kind="ph"
              label="Release limit"
              :limits="{ low: 2.5, high: highest }"
              :hint="`usually ${RELEASE_PH.usual.toFixed(1)}, never over ${highest}`"
              no-take
            />
            <WordField v-model="form.initials" label="Your initials" :problem="shown.initials" />
            <WordField v-model="form.note" label="Reason, in your words" hint="empty: what the checks say" />
            <div class="row">
              <el-button type="primary" :disabled="!free" :loading="busy" @click="decide($event, 'released')"
                >Release it</el-button
              ><el-button :loading="busy" @click="decide($event, 'held')">Hold it</el-button>
            </div>
            <p v-if="!free" class="problem">A check stops the release. Hold it until that is mended.</p>
            <p class="muted small">{{ APPROVAL }}</p>
          </section></InTurn
        >
        <section class="sheet">
          <h2>On the way</h2>
          <NuxtLink :to="`/label/${lot.id}`">Its label{{ lot.printed.length ? '' : ', not printed yet' }}</NuxtLink>
          <NuxtLink v-if="source" :to="`/blend/${source.id}`">The blend: readings, drift, correction</NuxtLink>
          <NuxtLink v-if="source" :to="`/bottle/${source.id}`">Its pot: heat record and a further run</NuxtLink>
          <NuxtLink :to="{ path: '/cellar', query: { lot: lot.id } }">In the cellar</NuxtLink>
          <NuxtLink :to="`/trace/${lot.id}`">Trace and recall</NuxtLink>
        </section>
      </aside>
    </div>
  </div>
</template>

<style scoped>
.head {
  display: flex;
  justify-content: space-between;
  gap: var(--s3);
  flex-wrap: wrap;
}
aside a {
  min-height: var(--touch);
  display: inline-flex;
  align-items: center;
}
</style>
