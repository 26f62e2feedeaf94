// @vitest-environment happy-dom
import { createPinia, setActivePinia } from 'pinia'
import { enableAutoUnmount, mount } from '@vue/test-utils'
import { h, nextTick, reactive, type Component } from 'vue'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import DayField from '../src/parts/DayField.vue'
import QuantityField from '../src/parts/QuantityField.vue'
import { useFirm } from '../src/stores/firm.ts'

beforeEach(() => setActivePinia(createPinia()))
enableAutoUnmount(afterEach)

/** A field bound to a value, as a form would hold it. */
function field(component: Component, fixed: object, start: unknown = null) {
  const held = reactive({ value: start, problem: '' })
  const bound = {
    render: () =>
      h(component, {
        ...fixed,
        modelValue: held.value,
        problem: held.problem,
        'onUpdate:modelValue': (v: unknown) => (held.value = v),
      }),
  }
  const place = mount(bound, { attachTo: document.body }).element.parentElement!
  const input = place.querySelector('input')!
  return {
    held,
    input,
    async type(text: string) {
      input.focus()
      input.value = text
      input.dispatchEvent(new Event('input'))
      await nextTick()
    },
    async leave() {
      input.blur()
      await nextTick()
      await nextTick()
    },
    says: () => place.querySelector('.says')!.textContent!.trim(),
  }
}
const area = { label: 'Area', kind: 'area' as const }

describe('a quantity field', () => {
  it('completes a bare number with the firm’s unit, in what is stored and, on leaving, in the field', async () => {
    const f = field(QuantityField, area)
    await f.type('412')
    expect(f.held.value).toBe('412 m²')
    await f.leave()
    expect(f.input.value).toBe('412 m²')
  })
  it('echoes what it understood when that reads otherwise, in the units of the moment', async () => {
    const f = field(QuantityField, area)
    await f.type('4,435 sq ft')
    expect(f.says()).toBe('= 412 m²')
    useFirm().toggleUnits()
    await nextTick()
    expect(f.says()).toBe('= 4,435 ft²')
    expect(f.held.value).toBe('4,435 sq ft')
  })
  it('a bare number typed in US units is feet, and stays feet when the page turns metric', async () => {
    useFirm().toggleUnits()
    const f = field(QuantityField, area)
    await f.type('1000')
    await f.leave()
    useFirm().toggleUnits()
    await nextTick()
    expect([f.held.value, f.input.value, f.says()]).toEqual(['1000 ft²', '1000 ft²', '= 92.9 m²'])
  })
  it('keeps a wrong entry as typed, stores it as typed, and shows the sentence it is given', async () => {
    const f = field(QuantityField, area)
    await f.type('about so')
    f.held.problem = '“about so” is not an area.'
    await f.leave()
    expect([f.held.value, f.input.value, f.says()]).toEqual([
      'about so',
      'about so',
      '“about so” is not an area.',
    ])
    expect(f.input.getAttribute('aria-invalid')).toBe('true')
  })
  it('shows a number from a file with its unit, and clears to nothing', async () => {
    const f = field(QuantityField, area, 212)
    expect(f.input.value).toBe('212 m²')
    await f.type('')
    expect(f.held.value).toBeNull()
  })
})

describe('a date field', () => {
  const date = { label: 'On', today: '2027-02-22' }
  it('takes the nearest year and says which it took', async () => {
    const f = field(DayField, date)
    await f.type('24 Apr')
    expect([f.held.value, f.says()]).toEqual(['2027-04-24', '= Sat 24 Apr 2027'])
    expect(f.input.value).toBe('24 Apr')
  })
  it('keeps a day that does not exist as it was typed', async () => {
    const f = field(DayField, date)
    await f.type('31 Apr')
    expect(f.held.value).toBe('31 Apr')
  })
  it('takes a day of the year for a frost date', async () => {
    const f = field(DayField, { ...date, yearless: true })
    await f.type('Apr 25')
    expect([f.held.value, f.says()]).toEqual(['04-25', '= 25 Apr'])
    await f.type('')
    expect(f.held.value).toBeNull()
  })
})
