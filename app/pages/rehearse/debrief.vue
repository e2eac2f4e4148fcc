<script setup lang="ts">
import { computed, onMounted, ref, shallowRef } from 'vue'
import { counted, dangerSays, formatMass, formatNumber, type Debrief } from '@lactofer/core'
import { useRehearsal } from '~/composables/useRehearsal'
import { useBook } from '~/stores/book'
import { usePractice } from '~/stores/practice'
import { usePreferences } from '~/stores/preferences'

/** What was true, beside what could be known and what was decided. */
const book = useBook()
const practice = usePractice()
const preferences = usePreferences()
const { begin, busy, problem } = useRehearsal()
const found = shallowRef<Debrief | null>(null)
const failed = ref(false)
async function open() {
  try {
    found.value = await practice.debrief()
  } catch {
    failed.value = true
  }
}
/** Ends it, and tells what was true. */
async function end() {
  practice.end()
  await open()
  const score = found.value?.score
  if (score) practice.noteFared(score.unsafe, score.wastedG)
}
onMounted(() => {
  if (practice.on && practice.ended) void open()
})
const mass = (grams: number) => formatMass(grams, preferences.world)
const scores = computed(() => {
  const score = found.value?.score
  if (!score) return []
  return [
    {
      name: 'Unsafe let go',
      figure: score.unsafe === 0 ? 'nothing' : counted(score.unsafe, 'time'),
      note: score.unsafe === 0 ? 'as it must be' : 'it must be none',
      good: score.unsafe === 0,
    },
    {
      name: 'Good food thrown away',
      figure: score.wastedG > 0 ? mass(score.wastedG) : 'nothing',
      note: score.soundG > 0 ? `of ${mass(score.soundG)} that was good` : 'nothing in it was good',
      good: score.wastedG === 0,
    },
    {
      name: 'Work and days',
      figure: `${formatNumber(score.minutes)} min, ${counted(Math.round(score.days), 'day')}`,
      note: 'fewer is better, never before the first two',
      good: null,
    },
  ]
})
const STATES = { ready: 'ready', working: 'on its way', ask: 'ask', act: 'act', discard: 'discard' } as const
</script>

<template>
  <div class="page">
    <header>
      <h1>What was true</h1>
      <p v-if="practice.exercise">{{ practice.exercise.title }}, day {{ practice.day }}.</p>
    </header>
    <p v-if="!practice.on" class="sheet">
      Nothing is being rehearsed. <NuxtLink to="/rehearse">Choose an exercise</NuxtLink>.
    </p>
    <p v-else-if="failed" class="sheet problem" role="alert">
      It could not be worked out here. Load the page anew; what you did is kept.
    </p>
    <section v-else-if="!practice.ended" class="sheet">
      <p>
        What was true is told once you are through: nothing can be done in this exercise after it.
        <template v-if="practice.over">Its days are over.</template>
      </p>
      <div class="row">
        <el-button type="primary" @click="end">End it, and show me</el-button>
        <NuxtLink v-if="!practice.over" to="/">Go on where you were</NuxtLink>
      </div>
    </section>
    <p v-else-if="!found" class="sheet" role="status">The jars are being opened …</p>
    <template v-else>
      <ul class="plain-list scores">
        <li v-for="{ name, figure, note, good } in scores" :key="name" class="sheet" :data-score="name">
          <h2>{{ name }}</h2>
          <p class="figure">
            <StateMark v-if="good !== null" :level="good ? 'fine' : 'discard'" :word="figure" /><template v-else>{{
              figure
            }}</template>
          </p>
          <p class="small muted">{{ note }}</p>
        </li>
      </ul>
      <section class="sheet about">
        <h2>What it was about</h2>
        <p>{{ practice.exercise?.about }}</p>
        <p class="earlier">{{ found.earlier }}</p>
        <div class="row">
          <el-button type="primary" :loading="busy" @click="practice.exercise && begin(practice.exercise)"
            >Again, with other luck</el-button
          >
          <el-button :loading="busy" @click="practice.exercise && begin(practice.exercise, practice.seed)"
            >Again, with the same</el-button
          >
          <NuxtLink to="/rehearse">All exercises</NuxtLink>
        </div>
        <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      </section>
      <div class="stories">
        <section
          v-for="story in found.jars"
          :key="`${story.lotId} ${story.mark}`"
          class="sheet"
          :data-story="story.code"
        >
          <h2>{{ story.code }}{{ story.mark && ` ${story.mark}` }}, {{ story.name }}: {{ story.said }}</h2>
          <StoryChart :story="story" :decisions="found.decisions.filter(({ lotId }) => lotId === story.lotId)" />
        </section>
      </div>
      <section v-if="found.decisions.length" class="sheet" aria-label="What you decided">
        <h2>What you decided, and what could be said then</h2>
        <div class="wide">
          <table class="plain">
            <thead>
              <tr>
                <th>Lot</th>
                <th>You did</th>
                <th>Lactofer said</th>
                <th>Who knew all would have said</th>
                <th>What it truly was</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="(one, index) in found.decisions" :key="index">
                <td class="code">{{ book.lot(one.lotId)?.code }}</td>
                <td>{{ one.words }}</td>
                <td>
                  <template v-if="one.told"><b>{{ STATES[one.told.state] }}</b>: {{ one.told.words }}</template>
                </td>
                <td>
                  <template v-if="one.known"><b>{{ STATES[one.known.state] }}</b>: {{ one.known.words }}</template>
                </td>
                <td>
                  <StateMark v-if="one.dangers.length" level="discard" :word="one.dangers.map(dangerSays).join('; ')" />
                  <StateMark v-else-if="one.wastedG > 0" level="act" :word="`${mass(one.wastedG)} of it was good`" />
                  <StateMark v-else level="fine" word="no harm" />
                </td>
              </tr>
            </tbody>
          </table>
        </div>
      </section>
    </template>
  </div>
</template>

<style scoped>
.scores {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(220px, 1fr));
  gap: var(--s3);
}
.scores h2 {
  font-size: 16px;
}
.figure {
  font: 700 22px/1.2 var(--display);
  font-stretch: 90%;
  margin: var(--s1) 0;
}
.earlier {
  font-weight: 600;
}
.stories {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 520px), 1fr));
  gap: var(--s4);
}
.wide {
  overflow-x: auto;
}
td {
  vertical-align: top;
}
</style>
