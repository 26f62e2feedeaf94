// @vitest-environment happy-dom
import { createPinia, setActivePinia } from 'pinia'
import { enableAutoUnmount, mount } from '@vue/test-utils'
import { nextTick, ref, type Component } from 'vue'
import { createMemoryHistory, createRouter } from 'vue-router'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { firmSchema } from '@juvena/core/entities/firm'
import { readJob, type JobDraft } from '@juvena/core/entities/job'
import { planJob } from '@juvena/core/pipeline'
import { STAGES } from '@juvena/core/present/spine'
import type { Stage } from '@juvena/core/rules/rule'

vi.mock('comlink', () => ({ wrap: () => ({ plan: async () => ({ plan: null, problems: [] }) }) }))
vi.stubGlobal('Worker', class {})
const { useJob } = await import('../src/stores/job.ts')
const { useFirm } = await import('../src/stores/firm.ts')
const { WORKING } = await import('../src/parts/working.ts')
const { default: WorkingPanel } = await import('../src/places/job/WorkingPanel.vue')
const { default: FigureValue } = await import('../src/parts/FigureValue.vue')
const { default: JobSpine } = await import('../src/places/job/JobSpine.vue')

const DRAFT: JobDraft = {
  name: 'Lawn',
  waterer: 'Sam',
  site: { latitude: -44.2, frost: '25 Apr', soilTemperature: '17.4 °C', soilReadOn: '2027-02-22' },
  zones: [
    {
      id: 'z1',
      name: 'Back',
      area: '200 m²',
      sunHours: '7 h',
      cover: { wanted: 55, weeds: 20, moss: 5, bare: 20 },
      thatch: '15 mm',
      heightOfCut: '40 mm',
      lowsDepth: '15 mm',
      lowsShare: '20 %',
    },
  ],
}
beforeEach(() => {
  setActivePinia(createPinia())
  const job = useJob()
  const read = readJob(DRAFT)
  job.draft = DRAFT
  job.today = '2027-02-22'
  job.plan = planJob(read.job!, { today: '2027-02-22', firm: firmSchema.parse({}), diary: [] })
})
enableAutoUnmount(afterEach)

/** Mounts a part as a job would, with the choice of a figure beside it. */
function shown(component: Component, props: object, start: string | null = null) {
  const chosen = ref<string | null>(start)
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [{ path: '/:rest(.*)*', component: { render: () => null } }],
  })
  const provide = {
    [WORKING as symbol]: { chosen, choose: (id: string | null) => (chosen.value = id) },
  }
  const place = mount(component, {
    props,
    attachTo: document.body,
    global: { plugins: [router], provide },
  }).element.parentElement!
  const text = () => place.textContent!.replace(/\s+/g, ' ').trim()
  const press = async (words: string) => {
    const button = [...place.querySelectorAll('button')].find((b) =>
      b.textContent!.replace(/\s+/g, ' ').includes(words),
    )
    if (!button) throw new Error(`no button “${words}” in: ${text()}`)
    button.click()
    await nextTick()
  }
  return { chosen, place, text, press }
}

describe('the working', () => {
  it('shows value, formula with this job’s values, rule, standing and each input', () => {
    const { text } = shown(WorkingPanel, { stage: 4 }, 'zone:z1.seed.passes')
    expect(text()).toMatch(/Back, Seed/)
    expect(text()).toMatch(/200 m² × [\d.]+ g\/m²/)
    expect(text()).toContain('Area times bag rate.')
    expect(text()).toContain('calculation')
    expect(text()).toContain('weakest input')
    expect(text()).toContain('Ground sown')
  })
  it('opens inputs in turn, down to what was read, and goes back the way it came', async () => {
    const { text, press, chosen } = shown(WorkingPanel, { stage: 4 }, 'zone:z1.seed.passes')
    await press('Ground sown')
    await press('Area')
    await press('Area, as measured')
    expect(text()).toContain('Read or decided on site and typed in.')
    await press('back')
    expect(chosen.value).toBe('zone:z1.area')
    await press('back')
    await press('back')
    expect(chosen.value).toBe('zone:z1.seed.passes')
    await press('close')
    expect(chosen.value).toBeNull()
  })
  it('says the school that spoke and what would change it', () => {
    const { text } = shown(WorkingPanel, { stage: 5 }, 'zone:z1.dressing.lifts')
    expect(text()).toContain('School: light and often.')
    expect(text()).toContain('What would change it')
  })
  it('every figure of the plan opens, in either system, with nothing missing', () => {
    const job = useJob()
    for (const units of ['metric', 'us']) {
      if (units === 'us') useFirm().toggleUnits()
      for (const id of Object.keys(job.plan!.figures)) {
        const { text } = shown(WorkingPanel, { stage: job.plan!.figures[id]!.stage }, id)
        expect(text(), id).not.toMatch(/undefined|NaN|\[object|\{/)
        expect(text().length, id).toBeGreaterThan(60)
      }
    }
  })
  it('with no figure chosen shows what to watch, the schools and the cautions of the stage', () => {
    for (const stage of [2, 3, 4, 5, 6, 7, 8] as Stage[])
      expect(shown(WorkingPanel, { stage }).text(), STAGES[stage]).toContain(
        stage === 2 ? 'Findings: what to watch' : 'Schools, for this job',
      )
    expect(shown(WorkingPanel, { stage: 6 }).text()).toContain('Call for buried services first')
    expect(shown(WorkingPanel, { stage: 1 }).text()).toContain('Still wanted for a sure plan')
  })
  it('a figure that is not in the plan any more leaves the stage’s own panel', () => {
    expect(shown(WorkingPanel, { stage: 4 }, 'zone:z9.seed.kg').text()).toContain(
      'Seed: what to watch',
    )
  })
})

describe('a figure on the page', () => {
  it('is a button with its name, number and unit; pressed, it is chosen', async () => {
    const { text, press, chosen } = shown(FigureValue, { id: 'zone:z1.area' })
    expect(text()).toBe('Area: 200 m²; show its working')
    await press('200')
    expect(chosen.value).toBe('zone:z1.area')
  })
  it('marks what was assumed, shows the old value of what moved, and the year of a day in another', () => {
    const job = useJob()
    expect(
      shown(FigureValue, { id: 'zone:z1.water.du' }).place.querySelector('.assumed'),
    ).not.toBeNull()
    job.plan = {
      ...job.plan!,
      figures: {
        ...job.plan!.figures,
        'zone:z1.area': {
          ...job.plan!.figures['zone:z1.area']!,
          unit: 'date',
          value: '2028-01-24',
        },
      },
    }
    expect(shown(FigureValue, { id: 'zone:z1.area' }).text()).toContain('Mon 24 Jan 2028')
  })
  it('of nothing is a dot, and no button', () => {
    const { place, text } = shown(FigureValue, { id: 'zone:z1.none' })
    expect([text(), place.querySelector('button')]).toEqual(['·', null])
  })
})

describe('the spine', () => {
  it('has eight bands, the current one marked, each with its line', () => {
    const { place, text } = shown(JobSpine, { stage: 5 })
    expect(place.querySelectorAll('button').length).toBe(8)
    expect(place.querySelector('[aria-current="step"]')!.textContent).toContain('5 Materials')
    expect(text()).toContain('1 zone · 200 m²')
    useFirm().toggleUnits()
    return nextTick().then(() => expect(text()).toContain('1 zone · 2,153 ft²'))
  })
})
