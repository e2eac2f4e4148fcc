<script setup lang="ts">
import { computed, ref } from 'vue'
import { counted } from '@lactofer/core'
import { useUpdate } from '~/composables/useUpdate'
import { useBook } from '~/stores/book'
import { useKeeping } from '~/stores/keeping'
import { PROBLEM_WORDS } from '~/words/keepingWords'

/** What has to be known of how the log is kept, on every page: nothing, on most days. */
const keeping = useKeeping()
const { waits, take, later } = useUpdate()
const book = useBook()
const read = ref(false)
const problem = computed(() => {
  const code = keeping.problem ?? (book.error ? keeping.codeOf(book.error) : null)
  return code && PROBLEM_WORDS[code]
})
const brought = computed(() => {
  const { brought = 0, pictures = 0 } = keeping.found ?? {}
  if (!brought && !pictures) return ''
  const parts = [brought && counted(brought, 'entry', 'entries'), pictures && counted(pictures, 'picture')]
  const what = parts.filter(Boolean).join(' and ')
  const verb = brought + pictures === 1 ? 'was' : 'were'
  return `${keeping.lost ? 'The browser had lost its database of this log. ' : ''}${what} ${verb} brought back from the second copy on this device.`
})
const newer = computed(() => book.folded?.newer.length ?? 0)
/** Gone, and nothing here knows what was in it. */
const gone = computed(() => keeping.settled && (keeping.lost || !!keeping.found?.damaged) && !book.entries?.length)
</script>

<template>
  <div class="page-notes">
    <section v-if="problem" class="page-note" role="alert">
      <p><StateMark level="act" :word="problem.mark ?? 'Nothing can be kept'" /> <strong>{{ problem.what }}</strong></p>
      <p>{{ problem.works }} {{ problem.todo }}</p>
    </section>
    <p v-if="waits" class="page-note" role="status">
      <span>A newer Lactofer is ready. Taking it reloads this page; what you have typed is saved and stays.</span>
      <span class="row">
        <PressButton kind="primary" @click="take">Take it now</PressButton>
        <PressButton @click="later">Later</PressButton>
      </span>
    </p>
    <p v-if="keeping.slow" class="page-note" role="status">
      Opening the log takes longer than usual. Another tab of Lactofer may hold it: close the others, or wait a little.
    </p>
    <p v-if="gone" class="page-note" role="alert">
      <StateMark level="act" word="The log is missing" />
      There was a log in this browser, and it cannot be brought back from here. If you have an archive, bring it in on
      the <NuxtLink to="/logbook">logbook</NuxtLink>'s page.
    </p>
    <p v-if="brought && !read" class="page-note" role="status">
      <span><StateMark level="fine" word="Brought back" /> {{ brought }}</span>
      <PressButton @click="read = true">Good</PressButton>
    </p>
    <p v-if="keeping.copyState === 'failing' && !problem" class="page-note" role="status">
      <span v-if="book.entries?.length">
        <StateMark level="ask" word="One copy only" />
        The second copy on this device could not be written; the log itself is recorded. Save an archive today, and look
        whether the disk is full.
      </span>
      <span v-else>
        <StateMark level="ask" word="Not sure" />
        The second copy on this device could not be read. If there was a log here, close the other tabs and reload
        before you begin anew.
      </span>
    </p>
    <p v-if="newer" class="page-note">
      <span>
        <StateMark level="ask" word="From a newer version" />
        {{ counted(newer, 'entry', 'entries') }} cannot be read by this version; they are kept and passed on as they
        are. Update this device before you rely on the lots they name.
      </span>
    </p>
  </div>
</template>
