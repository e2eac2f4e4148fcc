<script setup lang="ts">
import { computed, nextTick, useTemplateRef } from 'vue'
import { useWindowSize } from '@vueuse/core'
import IconBack from '~icons/lucide/chevron-left'
import IconCheck from '~icons/lucide/check'
import IconNext from '~icons/lucide/chevron-right'
import { drawnVessels } from '~/composables/useShelf'
import { pageOfLot } from '~/words/askWords'
import { useWalk } from '~/composables/useWalk'
import { useBook } from '~/stores/book'

/**
 * The round in one hand: one vessel at a time in the order of the walk, drawn large, each task a row to tap; what is
 * read or tasted is said in place. Undo and the way on stand under the thumb.
 */
const emit = defineEmits<{ list: [] }>()
const book = useBook()
const { stops, at, lot, open, done, next, nextLot, left, go } = useWalk()

const vessels = computed(() => (lot.value ? drawnVessels(book.book, lot.value) : []))
const MOST_DRAWN = 4
const drawn = computed(() => vessels.value.slice(0, MOST_DRAWN))
const { width, height } = useWindowSize()
/** They fill the width of a phone, and lying on its side what height there is. */
const scale = computed(() => {
  const lies = width.value > height.value
  const room = lies ? { widthPx: 220, heightPx: height.value - 268 } : { widthPx: 330, heightPx: height.value / 4.6 }
  const wide = drawn.value.reduce((sum, { vessel }) => sum + vessel.widthMm, 0)
  const tall = Math.max(1, ...drawn.value.map(({ vessel }) => vessel.heightMm))
  return Math.min((room.widthPx - 14 * drawn.value.length) / Math.max(1, wide), room.heightPx / tall, 1.4)
})
const heading = useTemplateRef<HTMLElement>('heading')
async function walk(to: number) {
  go(to)
  await nextTick()
  // Whoever hears the page is told where the walk has come to; everybody sees its top.
  heading.value?.focus({ preventScroll: true })
  window.scrollTo({ top: 0 })
}
</script>

<template>
  <section class="hand" aria-label="The round">
    <header>
      <button type="button" class="back" aria-label="The vessel before" :disabled="at === 0" @click="walk(at - 1)">
        <IconBack aria-hidden="true" />
      </button>
      <h2 ref="heading" tabindex="-1">
        <template v-if="lot"
          >{{ at + 1 }} of {{ stops.length }}, {{ lot.place || 'in stock'
          }}<span class="visually-hidden">: {{ lot.code }}</span></template
        ><template v-else>The round</template>
      </h2>
      <button type="button" class="back" aria-label="The round as a list" @click="emit('list')">List</button>
    </header>
    <div v-if="lot" class="stop">
      <NuxtLink :to="pageOfLot(lot)" class="jar" :aria-label="`${lot.code} ${lot.name}: open the lot`">
        <span v-if="drawn.length" class="drawn">
          <LotVessel v-for="one in drawn" :key="one.mark" :lot="lot" :one="one" :scale="scale" />
        </span>
        <strong
          ><span v-if="!drawn.length" class="code">{{ lot.code }}</span> {{ lot.name
          }}<template v-if="vessels.length > drawn.length">, {{ vessels.length }} jars</template> {{ ' '
          }}<span v-if="lot.hot" class="hot">HOT</span></strong
        >
      </NuxtLink>
      <ul class="plain-list">
        <RoundTask v-for="ask in open" :key="ask.key" :ask="ask" :lot="lot" />
        <li v-for="one in done" :key="one.entryIds[0]" class="ticked">
          <span class="box" aria-hidden="true"><IconCheck /></span><span>{{ one.title }}</span>
        </li>
        <li v-if="open.length === 0" class="rest">Nothing more here.</li>
      </ul>
    </div>
    <p v-else class="rest">Nothing is asked for now. Look and smell all the same.</p>
    <footer>
      <UndoBar />
      <button v-if="nextLot" type="button" class="next" @click="walk(next)">
        Next: {{ nextLot.code }} <IconNext aria-hidden="true" />
      </button>
      <p v-else-if="left === 0 && stops.length" class="next over" role="status">
        <IconCheck aria-hidden="true" /> The round is done
      </p>
    </footer>
  </section>
</template>

<style scoped>
.hand {
  display: flex;
  flex-direction: column;
  background: var(--surface);
  margin: calc(-1 * var(--s3)) calc(-1 * var(--s3)) 0;
  min-height: calc(100dvh - var(--rail-height) - var(--strip));
}
header {
  display: flex;
  align-items: center;
  justify-content: space-between;
  border-bottom: 1px solid var(--line);
}
h2 {
  font-size: 18px;
}
h2:focus {
  outline: none;
}
.back {
  min-width: 56px;
  min-height: 48px;
  border: 0;
  background: none;
  color: var(--bottle);
  font: 600 15px var(--text);
  cursor: pointer;
}
.back:disabled {
  visibility: hidden;
}
.stop {
  flex: 1;
}
.jar {
  display: grid;
  justify-items: center;
  gap: var(--s2);
  padding: var(--s3);
  color: inherit;
  text-decoration: none;
  background: var(--enamel);
  border-bottom: 1px solid var(--line);
}
.drawn {
  display: flex;
  align-items: flex-end;
  gap: 4px;
}
.jar strong {
  font-size: 18px;
  text-align: center;
}
.hot {
  background: #b32c10;
  color: #fff;
  font: 700 13px var(--display);
  padding: 2px 7px;
  border-radius: 3px;
  letter-spacing: 0.04em;
}
.ticked {
  display: flex;
  align-items: center;
  gap: var(--s3);
  min-height: 64px;
  padding: var(--s2) var(--s4);
  border-bottom: 1px solid var(--line);
  background: var(--wash);
  color: var(--fine);
  font-weight: 600;
}
.box {
  flex: none;
  width: 30px;
  height: 30px;
  border-radius: var(--radius);
  display: grid;
  place-items: center;
  background: var(--fine);
  color: var(--surface);
}
.rest {
  padding: var(--s4);
  color: var(--muted);
  flex: 1;
}
footer {
  position: sticky;
  bottom: var(--strip);
  z-index: 4;
  background: var(--surface);
}
.next {
  width: 100%;
  min-height: 60px;
  display: flex;
  align-items: center;
  justify-content: center;
  gap: var(--s2);
  border: 0;
  background: var(--bottle);
  color: var(--on-action);
  font: 700 19px var(--display);
  cursor: pointer;
}
.over {
  background: var(--wash);
  color: var(--fine);
  cursor: default;
}
/* Lying on its side: the jar at the left, what to do at the right. */
@media (max-height: 480px) {
  .stop {
    display: grid;
    grid-template-columns: 260px 1fr;
  }
  .jar {
    align-content: center;
    padding: var(--s2);
  }
  .next {
    min-height: 48px;
  }
}
</style>
