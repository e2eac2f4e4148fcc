<script setup lang="ts">
import html from '#docs/guide.md'

/** The guide for makers: one season in plain words. Its text is docs/guide.md, part of this build. */
</script>

<template>
  <div class="page">
    <!-- eslint-disable-next-line vue/no-v-html -- a text of our own, made into HTML when this was built -->
    <article class="sheet guide" v-html="html" />
  </div>
</template>

<style scoped>
.guide {
  display: block;
  max-width: 860px;
  padding: var(--s5) var(--s6);
  line-height: 1.6;
}
.guide :deep(h1) {
  margin-bottom: var(--s4);
}
.guide :deep(h2) {
  margin: var(--s6) 0 var(--s2);
}
.guide :deep(h3) {
  margin: var(--s5) 0 var(--s2);
}
.guide :deep(p),
.guide :deep(ul) {
  margin: 0 0 var(--s3);
}
.guide :deep(ul) {
  padding-left: 1.3em;
}
.guide :deep(img) {
  width: 100%;
  height: auto;
  border: 1px solid var(--line);
  border-radius: var(--radius);
}
@media (max-width: 600px) {
  .guide {
    padding: var(--s4);
  }
}
</style>
