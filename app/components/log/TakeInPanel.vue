<script setup lang="ts">
import { computed, ref } from 'vue'
import { counted, InvalidInput } from '@lactofer/core'
import { fullMoment, tellSpan } from '~/clock/moments'
import { lookAtFile, takeFile, type Preview } from '~/composables/useLogFile'

/** An archive or an open file: what it would bring stands here before it is taken in, and what it brought after. */
const emit = defineEmits<{ report: [text: string] }>()
const busy = ref(false)
const problem = ref('')
const preview = ref<Preview | null>(null)
const SHOWN = 6

async function attempt(work: () => Promise<void>) {
  busy.value = true
  problem.value = ''
  emit('report', '')
  try {
    await work()
  } catch (error) {
    preview.value = null
    problem.value =
      error instanceof InvalidInput ? error.message : 'This did not work, and nothing was changed. Try again.'
  } finally {
    busy.value = false
  }
}
const look = ([file]: File[]) =>
  attempt(async () => {
    preview.value = null
    if (file) preview.value = await lookAtFile(file)
  })
const take = () =>
  attempt(async () => {
    const { added, newer, known, pictures } = await takeFile()
    preview.value = null
    const parts = [`${counted(added, 'new entry', 'new entries')} taken in`]
    if (pictures) parts.push(counted(pictures, 'picture'))
    if (newer) parts.push(`${newer} of a newer version kept as they are`)
    emit('report', `${parts.join(', ')}; ${known} were here already.`)
  })
const brings = computed(() => {
  const { entries, pictures } = preview.value ?? { entries: { fresh: 0, newer: 0 }, pictures: { fresh: 0 } }
  return entries.fresh + entries.newer + pictures.fresh > 0
})
const span = computed(() =>
  preview.value?.from && preview.value.to ? tellSpan(Date.parse(preview.value.from), Date.parse(preview.value.to)) : '',
)
</script>

<template>
  <section class="sheet" aria-label="Bring in">
    <h2>Bring in a file</h2>
    <p>
      An archive, or a file of entries of another device or an earlier Lactofer. What is new is added and nothing that
      is here changes, so doing it twice does no harm. It is shown first what would come.
    </p>
    <div class="row">
      <FileButton
        label="Look at a file …"
        accept=".zip,.json,application/zip,application/json"
        :busy="busy"
        @files="look"
      />
      <span v-if="busy" class="muted small" role="status">Reading …</span>
    </div>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <div v-if="preview" class="stack" data-figure="preview">
      <p>
        <strong>{{ preview.writtenAt ? `An archive of ${fullMoment(preview.writtenAt)}.` : 'An open file.' }}</strong>
        {{ counted(preview.entries.fresh, 'entry', 'entries') }} and
        {{ counted(preview.pictures.fresh, 'picture') }} are new here{{ span ? `, of ${span}` : '' }};
        {{ preview.entries.known }} entries and {{ counted(preview.pictures.known, 'picture') }} are here already.
      </p>
      <p v-if="preview.entries.newer">
        <StateMark level="ask" word="From a newer version" />
        {{ counted(preview.entries.newer, 'entry', 'entries') }} cannot be read by this version; they are kept and
        passed on.
      </p>
      <p v-if="preview.pictures.leftOut">
        {{ counted(preview.pictures.leftOut, 'picture') }} of a newer version cannot be read here and are left out.
      </p>
      <p v-if="preview.lots.length">
        Lots that come:
        <template v-for="(lot, index) in preview.lots.slice(0, SHOWN)" :key="index"
          >{{ index ? ', ' : '' }}<span class="code">{{ lot.code }}</span> {{ lot.name }}</template
        >{{ preview.lots.length > SHOWN ? ` and ${preview.lots.length - SHOWN} more` : '' }}.
      </p>
      <div class="row">
        <el-button v-if="brings" type="primary" :loading="busy" @click="take">Take it in</el-button>
        <p v-else>Everything in it is here already.</p>
        <el-button @click="preview = null">Leave it</el-button>
      </div>
    </div>
  </section>
</template>
