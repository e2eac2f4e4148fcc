<script setup lang="ts">
import { onMounted, shallowRef } from 'vue'
import { askWorkshop } from '~/link/workshop'

/**
 * What stands in the place of the application where the page is not served securely: there the browser gives no private
 * files, no locks, no encryption, no camera and no offline shell, and a log without them cannot be trusted.
 */
const address = location.host
/** Where this server's workshop is found, if it was opened as one. */
const secure = shallowRef('')
onMounted(async () => (secure.value = (await askWorkshop()).address))
</script>

<template>
  <main class="page">
    <header>
      <h1>This page is not served securely</h1>
      <p>
        It was opened over plain http, at {{ address }}. For such a page the browser withholds what a log needs to be
        trusted. So nothing is opened here, and nothing is kept.
      </p>
    </header>
    <section class="sheet" aria-label="What is missing">
      <h2>What is missing</h2>
      <ul>
        <li>the second copy of the log, written before anything is called recorded;</li>
        <li>the locks that keep two windows from writing at once;</li>
        <li>encryption, and with it the other devices of the workshop;</li>
        <li>the camera, to read labels and join codes;</li>
        <li>working without the server.</li>
      </ul>
    </section>
    <section class="sheet" aria-label="What to do">
      <h2>What to do</h2>
      <p v-if="secure">Open it at <a :href="secure">{{ secure }}</a>.</p>
      <ul v-else>
        <li>On the machine that serves it, open it as <code>localhost</code>: that counts as secure.</li>
        <li>
          For phones and tablets of the workshop, start it with <code>npm start -- --workshop</code>: it is then served
          over https, and says on each device's first visit how to trust it.
        </li>
        <li>Behind a server of your own, open the address that begins with https.</li>
      </ul>
    </section>
  </main>
</template>
