<script setup lang="ts">
const open = defineModel<boolean>({ required: true })
const KEYS = [
  ['1 – 7', 'the stages, Today to Cellar'],
  ['n', 'new batch'],
  ['r', 'on a lot’s page: read pH and temperature'],
  ['/', 'find a lot'],
  ['Space', 'in an empty number field: take the instrument’s reading'],
  ['Enter', 'at the scale: take the weight'],
  ['t, s', 'at the scale: tare, leave it out'],
  ['?', 'this help'],
] as const
</script>

<template>
  <el-dialog v-model="open" title="Keys" width="460px">
    <dl>
      <template v-for="[key, what] in KEYS" :key="key"
        ><dt>
          <kbd class="key">{{ key }}</kbd>
        </dt>
        <dd>{{ what }}</dd></template
      >
    </dl>
    <p class="muted">Numbers are read with their unit: 2 lb 3 oz, 1 1/2 cup, 68F.</p>
  </el-dialog>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: 90px 1fr;
  gap: var(--s2);
  margin: 0 0 var(--s4);
}
dd {
  margin: 0;
}
</style>
