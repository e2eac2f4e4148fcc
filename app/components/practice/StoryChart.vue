<script setup lang="ts">
import { computed } from 'vue'
import type { Decision, JarStory } from '@lactofer/core'
import { shortMoment } from '~/clock/moments'

/** One jar: its true pH, in the band of what could be known with all that was read, and what each look was worth. */
const { story, decisions } = defineProps<{ story: JarStory; decisions: readonly Decision[] }>()
/** Two words of a decision stand over the picture; the table has all of them. */
const marks = computed(() =>
  decisions.map(({ atMs, words }) => ({ atMs, words: words.split(/[:,(]/)[0]?.trim().slice(0, 18) ?? '' })),
)
const picture = computed(() => ({
  name: 'story' as const,
  of: { truth: story.truth, band: story.band, observed: story.observed, marks: marks.value },
}))
const last = computed(() => story.truth.at(-1)?.ph.toFixed(2) ?? '')
const label = computed(
  () => `True pH of ${story.code} over its days, ${last.value} at the end, and the band of the forecast beside it`,
)
const half = (width: number | null) => (width === null ? '' : `±${(width / 2).toFixed(2)}`)
</script>

<template>
  <figure>
    <figcaption class="small muted">
      Dark line: what was true. Shaded: what could be known in the end, nine in ten. Dots: what was read.
    </figcaption>
    <ChartBase :picture="picture" :height-px="240" :label="label" figure="story" table-name="what each look was worth">
      <template #table>
        <table class="plain small">
          <thead>
            <tr>
              <th>When</th>
              <th>What</th>
              <th>pH</th>
              <th>The next day was known to</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(one, index) in story.observed" :key="index">
              <td>{{ shortMoment(one.atMs) }}</td>
              <td>{{ one.what }}</td>
              <td>{{ one.ph?.toFixed(2) }}</td>
              <td>
                <template v-if="one.before !== null"
                  >{{ half(one.before) }} before, {{ half(one.after) }} after</template
                >
              </td>
            </tr>
          </tbody>
        </table>
        <p v-if="!story.observed.length">Nothing was read or seen of it.</p>
      </template>
    </ChartBase>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
}
</style>
