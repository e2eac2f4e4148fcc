<script setup lang="ts">
import { ref } from 'vue'
import { weekdayMoment } from '~/clock/moments'
import { TURNS, usePractice, type Turn } from '~/stores/practice'
import { useBook } from '~/stores/book'

/** Across the top of the practice loft, on every page: where one is, what time it is there, how to turn it on. */
const practice = usePractice()
const book = useBook()
const WORDS: Record<Turn, { words: string; short: string }> = {
  hour: { words: 'An hour on', short: '+1 hour' },
  evening: { words: 'To the evening', short: 'Evening' },
  morning: { words: 'To the morning', short: 'Morning' },
  week: { words: 'A week on', short: '+1 week' },
  change: { words: 'Until something changes', short: 'A change' },
}
/** On the first day one is told what is to be done. */
const shown = ref(practice.day === 0)
</script>

<template>
  <section class="band" aria-label="Practice loft">
    <p class="where">
      <strong>Practice</strong>
      <span class="title">{{ practice.exercise?.title }}</span>
      <span class="day" role="status">day {{ practice.day }}, {{ weekdayMoment(book.nowMs) }}</span>
    </p>
    <div class="turns" role="group" aria-label="Turn the clock on">
      <button
        v-for="turn in TURNS"
        :key="turn"
        type="button"
        :disabled="practice.busy || practice.over || practice.ended"
        :title="WORDS[turn].words"
        @click="practice.turn(turn)"
      >
        <span class="long">{{ WORDS[turn].words }}</span
        ><span class="short" aria-hidden="true">{{ WORDS[turn].short }}</span>
      </button>
    </div>
    <div class="ways">
      <button type="button" class="task" :aria-expanded="shown" aria-controls="practice-task" @click="shown = !shown">
        The task
      </button>
      <NuxtLink class="end" to="/rehearse/debrief">{{
        practice.over ? 'It is over: what was true?' : 'What was true?'
      }}</NuxtLink>
      <button type="button" @click="practice.leave()">Leave</button>
    </div>
    <p v-if="shown" id="practice-task" class="told">
      {{ practice.exercise?.story }} <b>{{ practice.exercise?.todo }}</b>
    </p>
    <p v-if="practice.problem" class="told" role="alert">{{ practice.problem }}</p>
  </section>
</template>

<style scoped>
.band {
  position: sticky;
  top: 0;
  z-index: 11;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px var(--s3);
  padding: 4px var(--s4);
  color: #1d1400;
  background: repeating-linear-gradient(-45deg, #f2c230 0 18px, #edb81c 18px 36px);
  border-bottom: 3px solid #1d1400;
}
p {
  margin: 0;
}
.where {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0 var(--s2);
  font-weight: 600;
}
.where strong {
  font: 780 17px/1.2 var(--display);
  font-stretch: 115%;
  text-transform: uppercase;
  letter-spacing: 0.04em;
}
.day {
  font-variant-numeric: tabular-nums;
}
.turns,
.ways {
  display: flex;
  gap: 4px;
}
.ways {
  margin-left: auto;
}
button,
.end {
  min-height: var(--touch);
  padding: 0 10px;
  display: inline-flex;
  align-items: center;
  border: 1.5px solid #1d1400;
  border-radius: var(--radius);
  background: #fff8df;
  color: #1d1400;
  font: 600 15px var(--text);
  text-decoration: none;
  cursor: pointer;
  white-space: nowrap;
}
button:hover:not(:disabled),
.end:hover {
  background: #fff;
}
button:disabled {
  color: #6b5a22;
  background: #f4e3a6;
  cursor: default;
}
.end {
  background: #1d1400;
  color: #ffe9a3;
}
.end:hover {
  background: #3a2a05;
}
.short {
  display: none;
}
.told {
  flex-basis: 100%;
  padding-bottom: 6px;
  max-width: 90ch;
}
@media (max-width: 1480px) {
  .long {
    position: absolute;
    width: 1px;
    height: 1px;
    overflow: hidden;
    clip-path: inset(50%);
  }
  .short {
    display: inline;
  }
}
@media (max-width: 900px) {
  .band {
    position: static;
    padding: 4px var(--s3);
  }
  .turns {
    flex: 1 1 100%;
  }
  .turns button {
    flex: 1;
    padding: 0 4px;
    justify-content: center;
    font-size: 14px;
  }
  .ways {
    margin-left: 0;
    flex: 1 1 100%;
  }
  .ways > * {
    flex: 1 1 auto;
    justify-content: center;
  }
}
</style>
