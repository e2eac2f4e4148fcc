<script setup lang="ts">
import { formatNumber, formatShu, type Material } from '@lactofer/core'

/** The materials found: one is chosen, or one of the maker's own is begun. */
const { found, chosen } = defineProps<{ found: readonly Material[]; chosen: string | null }>()
const emit = defineEmits<{ choose: [id: string]; add: [] }>()

/** The figure a material is known by: its heat, its vinegar's strength, or its pH. */
function mainFigure({ dryShu, acidsPct, ph }: Material): string {
  if (dryShu && dryShu.high > 0) return `${formatShu(dryShu)} dry`
  if (acidsPct.acetic) return `${formatNumber(acidsPct.acetic.typical, 1)} % acetic`
  return ph ? `pH ${formatNumber(ph.typical, 1)}` : ''
}
const doubts = ({ waterPct, sugarPct, acidsPct }: Material) =>
  [waterPct, sugarPct, ...Object.values(acidsPct)].some((figure) => figure.doubtful)
</script>

<template>
  <section class="sheet list" aria-label="Materials">
    <p class="row head">
      <span class="muted">{{ found.length }} {{ found.length === 1 ? 'kind' : 'kinds' }}</span
      ><el-button @click="emit('add')">One of your own</el-button>
    </p>
    <p v-if="found.length === 0" class="muted">
      Nothing of that name. Add it as one of your own; until then a plan takes it as unlisted produce.
    </p>
    <ul class="plain-list">
      <li v-for="one in found" :key="one.id">
        <button type="button" :aria-pressed="chosen === one.id" @click="emit('choose', one.id)">
          <span class="chip" :style="{ background: one.color }" aria-hidden="true" /><span class="name"
            >{{ one.name }}<span v-if="one.own" class="own">yours</span></span
          >
          <span class="small muted">{{ mainFigure(one) }}<template v-if="doubts(one)"> · doubtful</template></span>
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.list {
  padding: 0;
  gap: 0;
  max-height: calc(100dvh - 210px);
  min-height: 420px;
  overflow: auto;
  position: sticky;
  top: var(--s4);
}
.head {
  justify-content: space-between;
  align-items: center;
  padding: var(--s2) var(--s4);
  border-bottom: 1px solid var(--line);
  position: sticky;
  top: 0;
  background: var(--surface);
  z-index: 1;
}
.list > .muted {
  padding: var(--s4);
}
.list li button {
  width: 100%;
  display: grid;
  grid-template-columns: 12px 1fr auto;
  gap: var(--s3);
  align-items: center;
  min-height: 44px;
  padding: 0 var(--s4);
  border: 0;
  border-bottom: 1px solid var(--line);
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}
.list li button:hover {
  background: var(--wash);
}
.list li button[aria-pressed='true'] {
  background: var(--wash);
  font-weight: 700;
}
.chip {
  width: 12px;
  height: 24px;
  border-radius: 3px;
  border: 1px solid #0003;
}
.own {
  margin-left: 8px;
  font: 700 12px var(--display);
  padding: 1px 6px;
  border: 1px solid currentcolor;
  border-radius: 3px;
}
@media (max-width: 900px) {
  .list {
    position: static;
    max-height: 46dvh;
    min-height: 0;
  }
}
</style>
