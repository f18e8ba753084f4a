// @vitest-environment happy-dom
import { nextTick } from 'vue'
import { beforeEach, expect, test } from 'vitest'
import { keepTyped } from './keep-typed'

const DRAWN = `<div class="questions">
  <input type="text" id="answer-price" value="$400,000">
  <input type="text" aria-label="Years" value="25">
  <select id="answer-frequency"><option value="monthly" selected>monthly</option><option value="weekly">weekly</option></select>
  <input type="radio" name="kind" value="new" checked><input type="radio" name="kind" value="old">
  <details id="more"><summary>More</summary>words</details></div>`
const find = <E extends Element>(selector: string) => document.querySelector<E>(`#app ${selector}`)!

beforeEach(() => {
  document.body.innerHTML = `<div id="app">${DRAWN}</div>`
})
/** Everything is drawn anew in its place, as by scripts that could not go on with what stood there. */
const drawAnew = () => void (document.getElementById('app')!.innerHTML = DRAWN)

test('what was typed, chosen and ticked stands there again, with the cursor where it was', () => {
  const price = find<HTMLInputElement>('#answer-price')
  price.focus()
  price.value = '$512,000'
  price.setSelectionRange(2, 5)
  find<HTMLSelectElement>('select').value = 'weekly'
  find<HTMLInputElement>('[value=old]').checked = true
  find<HTMLInputElement>('[aria-label=Years]').value = '30'
  const typed = keepTyped(document.getElementById('app')!)
  drawAnew()
  typed.restore()
  const again = find<HTMLInputElement>('#answer-price')
  expect([again.value, again.selectionStart, again.selectionEnd]).toEqual(['$512,000', 2, 5])
  expect(document.activeElement).toBe(again)
  expect(find<HTMLSelectElement>('select').value).toBe('weekly')
  expect(find<HTMLInputElement>('[value=old]').checked).toBe(true)
  expect(find<HTMLInputElement>('[aria-label=Years]').value).toBe('30')
})

test('the page is told of what was changed and of nothing else, and of leaving a field that was left', async () => {
  find<HTMLInputElement>('[aria-label=Years]').value = '30'
  const typed = keepTyped(document.getElementById('app')!)
  drawAnew()
  typed.restore()
  const heard: string[] = []
  for (const kind of ['input', 'change', 'blur'])
    document.addEventListener(
      kind,
      ({ target }) =>
        heard.push(
          `${kind} ${(target as HTMLElement).getAttribute('aria-label') ?? (target as HTMLElement).id}`,
        ),
      true,
    )
  typed.tell()
  expect(heard).toEqual(['input Years', 'change Years'])
  await nextTick()
  expect(heard).toEqual(['input Years', 'change Years', 'blur Years'])
})

test('what nobody touched keeps nothing, and moves no cursor', () => {
  const typed = keepTyped(document.getElementById('app')!)
  find<HTMLInputElement>('#answer-price').value = '$1'
  typed.restore()
  expect(find<HTMLInputElement>('#answer-price').value).toBe('$1')
  expect(document.activeElement).toBe(document.body)
})

test('what is not drawn any more is left out', () => {
  find<HTMLInputElement>('#answer-price').value = '$512,000'
  const typed = keepTyped(document.getElementById('app')!)
  document.getElementById('app')!.innerHTML = '<p>no questions</p>'
  expect(() => {
    typed.restore()
    typed.tell()
  }).not.toThrow()
})
