import { expect, it } from 'vitest'
import { computed, ref } from 'vue'
import { useLatest } from '~/composables/useLatest'

it('an answer to an earlier question is not shown as if it were to the newest', async () => {
  const asked = ref(1)
  const waiting: ((value: string) => void)[] = []
  const { answer, current, settled } = useLatest(
    computed(() => ({ of: asked.value })),
    () => new Promise<string>((resolve) => waiting.push(resolve)),
    'failed',
  )
  const answers = async (words: string) => {
    waiting.shift()?.(words)
    await new Promise((resolve) => setTimeout(resolve))
  }
  await answers('one')
  expect([answer.value, current.value]).toEqual(['one', true])
  asked.value = 2
  expect([answer.value, current.value], 'still the answer before').toEqual(['one', false])
  asked.value = 3
  await answers('two')
  expect([answer.value, current.value], 'each as it comes').toEqual(['two', false])
  await answers('three')
  await settled()
  expect([answer.value, current.value]).toEqual(['three', true])
})
