// @vitest-environment happy-dom
import { effectScope, nextTick, ref } from 'vue'
import { expect, test } from 'vitest'
import { afterPaint } from './after-paint'
import { useFollowing } from './use-following'

const followed = async () => {
  await nextTick()
  await afterPaint()
  await afterPaint()
}

test('what was caught up with meanwhile is not prepared again', async () => {
  const typed = ref('')
  const prepared: string[] = []
  const { following, catchUp } = effectScope().run(() =>
    useFollowing(typed, '', (text) => prepared.push(text)),
  ) as ReturnType<typeof useFollowing<string>>
  typed.value = 'a'
  await nextTick()
  catchUp()
  expect(following.value).toBe('a')
  await followed()
  expect(prepared).toEqual([])
  typed.value = 'b'
  await followed()
  expect([following.value, prepared]).toEqual(['b', ['b']])
})

test('what cannot be prepared is followed all the same, and so is what is typed next', async () => {
  const typed = ref('')
  const { following } = effectScope().run(() =>
    useFollowing(typed, '', () => {
      throw new Error('cannot be worked out')
    }),
  ) as ReturnType<typeof useFollowing<string>>
  for (const text of ['a', 'b']) {
    typed.value = text
    await followed()
    expect(following.value).toBe(text)
  }
})

test('where no frames are drawn, as on a page behind another, what is typed is followed soon', async () => {
  const { requestAnimationFrame: real } = window
  window.requestAnimationFrame = () => 0
  const typed = ref('')
  const { following } = effectScope().run(() => useFollowing(typed, '', () => undefined)) as ReturnType<
    typeof useFollowing<string>
  >
  typed.value = 'a'
  await followed()
  expect(following.value).toBe('a')
  window.requestAnimationFrame = real
})
