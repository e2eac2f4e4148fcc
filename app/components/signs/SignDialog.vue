<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { say } from '~/composables/say'
import { dayOf, judgeSign, phsOf, SIGN_KINDS, type Lot, type SignId } from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { useRecorder } from '~/composables/useRecorder'
import { useBook } from '~/stores/book'

/** What do you see? A picture to choose, at most two questions, then cause, action and level; kept as evidence. */
const { lot } = defineProps<{ lot: Lot }>()
const open = defineModel<boolean>({ required: true })
const book = useBook()
const { busy, record } = useRecorder('What you answered is still here; try again.')
const sign = ref<SignId | null>(null)
const answers = ref<Record<string, string>>({})
const note = ref('')
const photos = ref<string[]>([])
/** A picture is still being reduced: nothing is kept without it. */
const reducing = ref(false)
const ANY = 'any'
const where = ref(ANY)
const kind = computed(() => SIGN_KINDS.find(({ id }) => id === sign.value) ?? null)
const kinds = computed(() =>
  SIGN_KINDS.filter(({ id }) => id !== 'bag ballooned' || lot.packed?.closure === 'sealed bag'),
)
watch(open, (now) => {
  if (now) start(null)
})
function start(id: SignId | null) {
  sign.value = id
  answers.value = {}
  note.value = ''
  photos.value = []
  where.value = ANY
}
const given = computed(() => (kind.value?.questions ?? []).flatMap(({ id }) => answers.value[id] ?? []))
const verdict = computed(() => {
  if (!kind.value || given.value.length < kind.value.questions.length) return null
  const phs = phsOf(book.book, lot)
  const [first, last] = [phs[0], phs.at(-1)]
  return judgeSign(kind.value.id, given.value, {
    day: dayOf(lot, book.nowMs),
    ph: last?.ph ?? null,
    fell: phs.length > 1 && first && last ? last.ph < first.ph - 0.1 : null,
  })
})
const WORD = { fine: 'Fine', ask: 'Ask', act: 'Act', discard: 'Throw it away' } as const
async function keep() {
  if (!verdict.value || !sign.value) return
  const { level, holds } = verdict.value
  const written = await record({
    kind: 'sign',
    at: nowMoment(),
    lotId: lot.id,
    sign: sign.value,
    answers: given.value,
    level,
    ...(holds && { holds }),
    ...(where.value !== ANY && { marks: [where.value] }),
    ...(note.value.trim() && { note: note.value.trim() }),
    ...(photos.value.length > 0 && { photos: [...photos.value] }),
  })
  if (!written) return
  say.done(`${kind.value?.name}: recorded. A wrong tap is taken back in the log.`)
  open.value = false
}
const vesselOptions = computed(() => [
  { value: ANY, label: 'more than one, or not sure' },
  ...lot.vessels.map(({ mark }) => ({ value: mark, label: `only in ${lot.code}${mark}` })),
])
</script>

<template>
  <el-dialog
    v-model="open"
    :title="kind ? `${kind.name} on ${lot.code}` : `What do you see on ${lot.code}?`"
    width="min(96vw, 720px)"
  >
    <ul v-if="!kind" class="plain-list pictures">
      <li v-for="one in kinds" :key="one.id">
        <button type="button" :data-sign="one.id" @click="start(one.id)">
          <SignPicture :sign="one.id" /><strong>{{ one.name }}</strong><span class="small muted">{{ one.looks }}</span>
        </button>
      </li>
    </ul>
    <div v-else class="asking">
      <div class="picture">
        <SignPicture :sign="kind.id" />
        <p class="small muted">{{ kind.looks }}</p>
      </div>
      <div class="stack">
        <fieldset v-for="question in kind.questions" :key="question.id">
          <legend>{{ question.ask }}</legend>
          <div class="answers" role="radiogroup" :aria-label="question.ask">
            <button
              v-for="answer in question.answers"
              :key="answer.id"
              type="button"
              role="radio"
              :aria-checked="answers[question.id] === answer.id"
              :class="{ chosen: answers[question.id] === answer.id, drawn: answer.picture }"
              @click="answers = { ...answers, [question.id]: answer.id }"
            >
              <AnswerPicture v-if="answer.picture" :picture="answer.picture" />{{ answer.text }}
            </button>
          </div>
        </fieldset>
        <template v-if="verdict">
          <div class="verdict" :data-level="verdict.level" aria-live="polite">
            <p><StateMark :level="verdict.level" :word="WORD[verdict.level]" /> {{ verdict.cause }}</p>
            <p>{{ verdict.action }}</p>
            <p v-if="verdict.holds && verdict.level !== 'discard'" class="small muted">
              Until it is settled the lot is not ready.
            </p>
          </div>
          <PickField v-if="lot.vessels.length > 1" v-model="where" label="Seen in" :options="vesselOptions" />
          <WordField v-model="note" label="Note" placeholder="Two spots at the rim" />
          <PhotoField v-model="photos" v-model:busy="reducing" label="Add a picture as evidence" />
          <div class="row">
            <el-button type="primary" :loading="busy || reducing" @click="keep">Keep it in the log</el-button
            ><el-button @click="start(null)">Something else</el-button>
          </div>
        </template>
        <div v-else class="row"><el-button @click="start(null)">Something else</el-button></div>
      </div>
    </div>
  </el-dialog>
</template>

<style scoped>
.pictures {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(128px, 1fr));
  gap: var(--s2);
}
.pictures button {
  width: 100%;
  height: 100%;
  display: grid;
  align-content: start;
  gap: 2px;
  text-align: left;
  padding: var(--s2);
  background: var(--surface);
  border: 1px solid var(--line);
  border-radius: var(--radius);
  cursor: pointer;
  font: inherit;
  color: inherit;
  line-height: 1.25;
}
.pictures button:hover {
  border-color: var(--bottle);
}
.asking {
  display: grid;
  grid-template-columns: 150px 1fr;
  gap: var(--s4);
  align-items: start;
}
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
  min-width: 0;
}
legend {
  font-weight: 600;
  padding: 0;
  margin-bottom: var(--s2);
}
.answers {
  display: flex;
  flex-wrap: wrap;
  gap: var(--s2);
}
.answers button {
  min-height: var(--touch);
  padding: 0 var(--s4);
  border: 1px solid var(--outline);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font: 600 15px var(--text);
  cursor: pointer;
}
.answers .drawn {
  width: 104px;
  padding: var(--s1);
  display: grid;
  gap: 2px;
  align-content: start;
  line-height: 1.2;
}
.answers .chosen {
  background: var(--bottle);
  border-color: var(--bottle);
  color: var(--on-action);
}
.verdict {
  border-left: 4px solid var(--line);
  padding: var(--s2) var(--s3);
  background: var(--wash);
  display: grid;
  gap: var(--s1);
}
.verdict[data-level='discard'] {
  border-color: var(--discard);
}
.verdict[data-level='act'] {
  border-color: var(--act);
}
.verdict[data-level='ask'] {
  border-color: var(--ask);
}
.verdict[data-level='fine'] {
  border-color: var(--fine);
}
@media (max-width: 620px) {
  .asking {
    grid-template-columns: 1fr;
  }
  .picture {
    max-width: 130px;
  }
  .pictures {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
