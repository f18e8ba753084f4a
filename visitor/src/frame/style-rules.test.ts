import { expect, test } from 'vitest'
import { withoutStyleAttributes } from './style-rules'

test('styles on elements become rules, each once', () => {
  const { html, rules } = withoutStyleAttributes(
    '<i class="a" style="flex-grow:3;"></i><b style="--share:0.5;" id="b"></b><i style="flex-grow:3;"></i><u style=""></u>',
  )
  expect(html).toBe(
    '<i class="a" data-drawn="0"></i><b data-drawn="1" id="b"></b><i data-drawn="0"></i><u></u>',
  )
  expect(rules).toBe(':root:root [data-drawn="0"]{flex-grow:3;}:root:root [data-drawn="1"]{--share:0.5;}')
})

test('words that look like a style are left as they are', () => {
  const html =
    '<p title="a &lt;b style=&quot;x&quot;&gt;">a &lt;b style=&quot;color:red&quot;&gt; style="c"</p>'
  expect(withoutStyleAttributes(html)).toEqual({ html, rules: '' })
})

test.each(['x}</style>', 'a{b', 'url(//x.example)', "content:'x'"])('%s is no rule of ours', (style) => {
  expect(() => withoutStyleAttributes(`<i style="${style}"></i>`)).toThrow('cannot be a rule')
})
