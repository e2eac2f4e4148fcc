<script setup lang="ts">
import { computed, useTemplateRef } from 'vue'
import { counted, type Task } from '@lactofer/core'
import { useRehearsal } from '~/composables/useRehearsal'
import { usePractice } from '~/stores/practice'

/** What can be rehearsed: hidden jars on the same pages, with a clock that can be turned. */
const practice = usePractice()
const { exercises, fared, busy, problem, begin, take, drop, save } = useRehearsal()
const TASKS: Record<Task, string> = {
  salt: 'Salt and a start',
  keep: 'A jar that stands there',
  blend: 'Pots',
  bottle: 'Bottles',
  recall: 'Bottles called back',
}
const ORDER: readonly Task[] = ['salt', 'keep', 'blend', 'bottle', 'recall']
const groups = computed(() =>
  ORDER.map((task) => ({
    task,
    words: TASKS[task],
    all: exercises.value.filter(({ exercise }) => exercise.task === task),
  })).filter(({ all }) => all.length > 0),
)
function wentWords(id: string): string {
  const went = fared[id]
  if (!went) return ''
  const best = went.unsafe === 0 ? 'nothing unsafe let go' : `unsafe let go ${counted(went.unsafe, 'time')}`
  return `Done ${counted(went.times, 'time')}; at best ${best}.`
}
const file = useTemplateRef('file')
async function chosen(event: Event) {
  const input = event.target as HTMLInputElement
  const [one] = input.files ?? []
  if (one) await take(one)
  input.value = ''
}
</script>

<template>
  <div class="page">
    <header>
      <h1>Rehearse</h1>
      <p>
        A season in an afternoon: jars that are not what they seem, on the same pages you work with, and a clock you can
        turn. A mistake costs nothing here, and nothing of it touches your own log.
      </p>
    </header>
    <p v-if="problem" class="sheet problem" role="alert">{{ problem }}</p>
    <p v-if="practice.on" class="sheet">
      You are in the practice loft, at “{{ practice.exercise?.title }}”. Beginning another leaves this one where it is.
    </p>
    <div class="split">
      <div class="stack">
        <section v-for="{ task, words, all } in groups" :key="task" class="sheet" :aria-label="words">
          <h2>{{ words }}</h2>
          <ul class="plain-list">
            <li v-for="{ exercise, own } in all" :key="exercise.id" :data-exercise="exercise.id">
              <div class="what">
                <h3>{{ exercise.title }}</h3>
                <p>{{ exercise.story }}</p>
                <p class="small muted">{{ exercise.minutes }} min. {{ wentWords(exercise.id) }}</p>
              </div>
              <div class="ways">
                <el-button type="primary" :loading="busy" @click="begin(exercise)">Begin</el-button>
                <el-button text @click="save(exercise)">As a file</el-button>
                <el-button v-if="own" text @click="drop(exercise.id)">Take it out</el-button>
              </div>
            </li>
          </ul>
        </section>
      </div>
      <div class="stack">
        <section class="sheet">
          <h2>Quick questions</h2>
          <p>A few minutes a day: salt for this bowl, what a fall of 0.4 means, which jar wants burping first.</p>
          <NuxtLink to="/rehearse/questions" class="first-link">Ask me</NuxtLink>
        </section>
        <section class="sheet">
          <h2>Your own</h2>
          <p>An exercise is a plain file: take one out, change it, pass it on, bring one in.</p>
          <el-button @click="file?.click()">Bring one in</el-button>
          <input
            ref="file"
            class="visually-hidden"
            type="file"
            accept=".json,application/json"
            aria-label="An exercise file"
            @change="chosen"
          />
        </section>
        <section class="sheet">
          <h2>How it is judged</h2>
          <p>
            Three scores, never one: anything unsafe that was let go, good food thrown away, and the work and days it
            took. What is discarded past its time, or at a sign that ends it, never costs.
          </p>
        </section>
      </div>
    </div>
  </div>
</template>

<style scoped>
li {
  display: flex;
  gap: var(--s4);
  align-items: flex-start;
  padding: var(--s3) 0;
}
li + li {
  border-top: 1px solid var(--line);
}
.what {
  flex: 1 1 auto;
  min-width: 0;
}
.what p {
  margin: 2px 0 0;
}
.ways {
  display: grid;
  gap: 2px;
  flex-shrink: 0;
}
html .ways .el-button {
  margin: 0;
}
@media (max-width: 600px) {
  li {
    flex-wrap: wrap;
  }
  .ways {
    display: flex;
  }
}
</style>
