import { nextTick, type ShallowRef } from 'vue'

/**
 * The weight of what was just put at the end of a list is typed next: its field is led to, once the list it was chosen
 * from has let go.
 */
export async function focusLast(list: Readonly<ShallowRef<HTMLElement | null>>): Promise<void> {
  await nextTick()
  requestAnimationFrame(() => {
    const field = list.value?.lastElementChild?.querySelector<HTMLInputElement>('.quantity input')
    field?.focus()
    // What stands there by default gives way to what is typed.
    field?.select()
  })
}
