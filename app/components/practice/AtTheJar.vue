<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { isMeter, structureOfLot, type Lot, type Sampled } from '@lactofer/core'
import { useBook } from '~/stores/book'
import { useInstruments } from '~/stores/instruments'
import { usePractice } from '~/stores/practice'
import { usePreferences } from '~/stores/preferences'
import { lookWords, tasteWords } from '~/words/practiceWords'

/** In the practice loft one stands at the jar: what is seen and smelt, what a probe or a strip meets, how it tastes. */
const { lot } = defineProps<{ lot: Lot }>()
const book = useBook()
const practice = usePractice()
const instruments = useInstruments()
const preferences = usePreferences()
const jars = computed(() =>
  lot.vessels.flatMap(({ mark }) => {
    const look = practice.lookOf(lot.id, mark)
    return look ? [{ mark, look, words: lookWords(look) }] : []
  }),
)
const pieces = computed(() => structureOfLot(book.book, lot).liquid < 1)
const samples = computed((): readonly { from: Sampled; words: string }[] =>
  pieces.value
    ? [
        { from: 'liquid', words: 'its liquid' },
        { from: 'blended', words: 'a ground sample' },
      ]
    : [{ from: 'blended', words: 'it' }],
)
const told = ref('')
const problem = ref('')
watch(
  () => [lot.id, book.nowMs],
  () => (told.value = ''),
)
const FAILED = 'That could not be worked out here. Try again; nothing is lost.'
async function ask<T>(what: () => Promise<T | null>, tell: (answer: T) => Promise<void> | void): Promise<void> {
  problem.value = ''
  try {
    const answer = await what()
    if (answer !== null) await tell(answer)
  } catch {
    problem.value = FAILED
  }
}
const dip = (mark: string, of: Sampled, words: string) =>
  ask(
    () => practice.sample(lot.id, mark, of),
    async ({ ph, tempC, thick }) => {
      await instruments.command({ do: 'dip', sample: `${lot.code}${mark}`, ph, tempC, thick })
      told.value = `The probes are in ${words}. Wait until they are steady, then take the reading.`
    },
  )
const strip = (mark: string, of: Sampled, words: string) =>
  ask(
    () => practice.strip(lot.id, mark, of),
    (ph) => void (told.value = `A strip dipped into ${words} turns to the colour of ${ph.toFixed(1)}.`),
  )
const taste = (mark: string) =>
  ask(
    () => practice.taste(lot.id, mark),
    (step) => void (told.value = tasteWords(step)),
  )
const meter = computed(() => isMeter(preferences.kit))
const strips = computed(() => preferences.kit.sour === 'paper strips')
</script>

<template>
  <section v-if="jars.length" class="sheet at" aria-label="At the jar">
    <h2>At the jar</h2>
    <div v-for="{ mark, look, words } in jars" :key="mark" class="one">
      <AnswerPicture v-if="look.cover" class="top" :picture="look.cover" />
      <div>
        <h3 v-if="mark">Jar {{ mark }}</h3>
        <p>{{ words.join(' ') }}</p>
        <div class="row">
          <template v-for="{ from, words: sample } in samples" :key="from">
            <el-button v-if="meter" @click="dip(mark, from, sample)">Probes into {{ sample }}</el-button>
            <el-button v-if="strips" @click="strip(mark, from, sample)">Strip into {{ sample }}</el-button>
          </template>
          <el-button @click="taste(mark)">Taste it</el-button>
        </div>
      </div>
    </div>
    <p v-if="told" role="status" class="told">{{ told }}</p>
    <p v-if="problem" role="alert" class="problem">{{ problem }}</p>
  </section>
</template>

<style scoped>
.at {
  border-left: 6px solid #edb81c;
}
.one {
  display: flex;
  gap: var(--s3);
  align-items: flex-start;
}
.top {
  width: 120px;
  flex-shrink: 0;
}
.one > div {
  display: grid;
  gap: var(--s3);
}
.told {
  font-weight: 600;
}
html .row .el-button {
  margin: 0;
}
</style>
