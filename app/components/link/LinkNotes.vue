<script setup lang="ts">
import { computed } from 'vue'
import { FOLLOWED_MS, writtenAt } from '@lactofer/core'
import { useLinking } from '~/composables/useLinking'
import { useBook } from '~/stores/book'
import { useLink } from '~/stores/link'
import { clockWords, linkWords } from '~/words/linkWords'

/** Keeps the devices together, and says on every page what somebody has to do about it: nothing, on most days. */
const link = useLink()
const book = useBook()
useLinking()
const clock = computed(() => {
  if (!link.on) return ''
  const told = clockWords(link.roomTold?.aheadMs ?? null)
  if (told) return told
  const last = book.book.lastId
  return last && writtenAt(last) > book.nowMs + FOLLOWED_MS
    ? 'Another device wrote something later than it is here now: its clock is ahead, or this one is behind. Look at both.'
    : ''
})
const closed = computed(() => (link.secret && link.roomTold?.state === 'closed' ? linkWords(link.roomTold) : null))
</script>

<template>
  <div v-if="clock || closed" class="page-notes">
    <p v-if="closed" class="page-note" role="status">
      <span><StateMark level="act" word="Out of the room" /> {{ closed.sentence }}</span>
      <NuxtLink to="/devices">Devices</NuxtLink>
    </p>
    <p v-if="clock" class="page-note" role="status">
      <span><StateMark level="ask" word="Clock" /> {{ clock }}</span>
    </p>
  </div>
</template>
