<script setup lang="ts">
import { KEY_BINDINGS } from '~/words/keys'

const open = defineModel<boolean>({ required: true })
</script>

<template>
  <el-dialog v-model="open" title="Help" width="460px">
    <LazyRehearseThis @gone="open = false" />
    <h3>Keys</h3>
    <dl>
      <template v-for="{ sign, what } in KEY_BINDINGS" :key="sign"
        ><dt>
          <kbd class="key">{{ sign }}</kbd>
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
