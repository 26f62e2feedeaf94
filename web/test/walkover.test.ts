// @vitest-environment happy-dom
import { createPinia, setActivePinia } from 'pinia'
import { enableAutoUnmount, mount } from '@vue/test-utils'
import { nextTick, type Component } from 'vue'
import { createMemoryHistory, createRouter } from 'vue-router'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { JobDraft } from '@juvena/core/entities/job'
import { fakeServer } from './fakeServer.ts'

/**
 * The workers' part, done in place. A light map is answered by hand, so that its progress and its
 * stopping can be seen.
 */
const cast = {
  calls: [] as { fine: boolean; whatIf: boolean; from: number }[],
  answer: null as null | ((map: unknown) => void),
  stopped: 0,
}
vi.mock('comlink', async () => {
  const { comlink } = await import('./workerInPlace.ts')
  const surveyor = {
    light: (
      _draft: JobDraft,
      ask: { season: { from: number }; whatIf: boolean; fine: boolean },
      progress: (share: number) => void,
    ) => {
      cast.calls.push({ fine: ask.fine, whatIf: ask.whatIf, from: ask.season.from })
      progress(0.5)
      return new Promise((done) => (cast.answer = done))
    },
    over: async () => ({ z1: 4 }),
    months: async () => ({ z1: Array.from({ length: 12 }, (_, i) => i) }),
    levels: async () => [],
    stop: async () => void cast.stopped++,
  }
  return { ...comlink, wrap: () => ({ ...comlink.wrap(), ...surveyor }) }
})
await import('../src/workers/plan.worker.ts')
const { useJob } = await import('../src/stores/job.ts')
const { useSurvey } = await import('../src/stores/survey.ts')
const { default: CoverCount } = await import('../src/stages/walkover/readings/CoverCount.vue')
const { default: FeelTest } = await import('../src/stages/walkover/readings/FeelTest.vue')
const { default: MoreReadings } = await import('../src/stages/walkover/readings/MoreReadings.vue')
const { default: TypedShape } = await import('../src/stages/walkover/plan/TypedShape.vue')
const { default: ShapeCard } = await import('../src/stages/walkover/plan/ShapeCard.vue')
const { default: ShapeList } = await import('../src/stages/walkover/plan/ShapeList.vue')
const { default: LevelsBar } = await import('../src/stages/walkover/plan/LevelsBar.vue')
const { default: LightBar } = await import('../src/stages/walkover/plan/LightBar.vue')

const box = (x: number, y: number, w: number, h: number): [number, number][] => [
  [x, y],
  [x + w, y],
  [x + w, y + h],
  [x, y + h],
]
const SITE: JobDraft = {
  name: 'Walk',
  site: { latitude: -44.2, longitude: 170.1, frost: '25 Apr' },
  zones: [
    { id: 'z1', name: 'Back' },
    { id: 'z2', name: 'Side' },
  ],
  drawing: {
    shapes: [
      { id: 'l1', kind: 'lawn', zone: 'z1', at: [box(0, 0, 10, 8)] },
      { id: 'l2', kind: 'lawn', zone: 'z2', at: [box(12, 0, 5, 8)] },
      {
        id: 'h1',
        kind: 'wall',
        name: 'hedge',
        height: '3 m',
        at: [
          [
            [0, 9],
            [17, 9],
          ],
        ],
      },
      {
        id: 't1',
        kind: 'trench',
        zone: 'z1',
        width: '400 mm',
        depth: '50 mm',
        at: [
          [
            [0, 2],
            [10, 2],
          ],
        ],
      },
    ],
  },
}

beforeEach(() => {
  setActivePinia(createPinia())
  localStorage.clear()
  // Lists open beside the page's main part, as in App.vue.
  document.body.innerHTML = '<main id="main"></main><section id="above"></section>'
  Object.assign(cast, { calls: [], answer: null, stopped: 0 })
})
enableAutoUnmount(afterEach)
const settle = async () => {
  for (let i = 0; i < 8; i++) {
    await nextTick()
    await new Promise((go) => setTimeout(go))
  }
}

async function opened(draft: JobDraft = SITE) {
  fakeServer(draft)
  const job = useJob()
  await job.open('j1')
  await settle()
  return job
}
/** Once the map of light was asked for so many times, however slow the machine. */
const asked = (times: number) =>
  vi.waitFor(() => expect(cast.calls).toHaveLength(times), { timeout: 30_000 })
/** A part of the walk-over on a page of its own, its props given and its events gathered. */
async function shown(component: Component, props: Record<string, unknown>, query = '') {
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [{ path: '/:all(.*)*', component: { render: () => null } }],
  })
  await router.push(`/${query}`)
  const place = mount(component, {
    props,
    attachTo: document.getElementById('main')!,
    global: { plugins: [router] },
  }).element.parentElement as HTMLElement
  await settle()
  const field = (label: string) => {
    const found = [...place.querySelectorAll('label')].find((l) => l.textContent!.trim() === label)
    if (!found)
      throw new Error(
        `No field ${label}; there are ${[...place.querySelectorAll('label')].map((l) => l.textContent!.trim()).join(' | ')}`,
      )
    return place.querySelector(`[id="${found.htmlFor}"]`) as HTMLInputElement
  }
  return {
    place,
    field,
    text: () => place.textContent!.replace(/\s+/g, ' '),
    async type(label: string, text: string) {
      const input = field(label)
      input.value = text
      input.dispatchEvent(new Event('input'))
      await settle()
    },
    async press(name: RegExp) {
      const button = [...place.querySelectorAll('button')].find((b) =>
        name.test(b.textContent!.replace(/\s+/g, ' ')),
      )
      if (!button) throw new Error(`No button ${name.source}`)
      button.click()
      await settle()
    },
    async pick(name: string) {
      const radio = [...place.querySelectorAll('label')].find(
        (l) => l.textContent!.trim() === name,
      )!
      radio.querySelector('input')!.click()
      await settle()
    },
  }
}
const shapeOf = (job: ReturnType<typeof useJob>, id: string) =>
  job.draft!.drawing!.shapes!.find((s) => s.id === id)!

describe('counting cover', () => {
  const counter = async (zone: object) => {
    await opened()
    const set = vi.fn()
    return { set, part: await shown(CoverCount, { zone: { id: 'z1', ...zone }, onSet: set }) }
  }
  it('adds a look at each tap, and takes the last back', async () => {
    const { set, part } = await counter({ pointCounts: { wanted: 2, weeds: 0, moss: 1, bare: 0 } })
    await part.press(/moss/)
    expect(set).toHaveBeenLastCalledWith('pointCounts', { wanted: 2, weeds: 0, moss: 2, bare: 0 })
    await part.press(/undo the last/)
    expect(set).toHaveBeenLastCalledWith('pointCounts', { wanted: 2, weeds: 0, moss: 0, bare: 0 })
    expect(part.text()).toContain('3 looks')
  })
  it('keeps a throw of the frame as tallies or per cent, and says what is no number', async () => {
    const { set, part } = await counter({})
    await part.press(/throw a frame/)
    const inputs = [...part.place.querySelectorAll<HTMLInputElement>('.throw input')]
    const fill = async (values: string[]) => {
      inputs.forEach((input, i) => {
        input.value = values[i]!
        input.dispatchEvent(new Event('input'))
      })
      await settle()
    }
    await fill(['many', '', '', ''])
    expect(part.text()).toContain('numbers, at least one above zero')
    await fill(['12', '', '8', '5 %'])
    part.place.querySelector('form')!.dispatchEvent(new Event('submit'))
    await settle()
    expect(set).toHaveBeenLastCalledWith('quadrats', [{ wanted: 12, weeds: 0, moss: 8, bare: 5 }])
  })
  it('says when cover typed by hand stands before the count', async () => {
    const { part } = await counter({
      cover: { wanted: '60' },
      pointCounts: { wanted: 9, weeds: 0, moss: 0, bare: 1 },
    })
    expect(part.text()).toContain('Clear it to go by the count')
  })
})

describe('texture by feel', () => {
  it('asks one thing after another and ends in a class, or begins again', async () => {
    const answer = vi.fn()
    const part = await shown(FeelTest, {
      answers: { ball: 'yes', ribbon: 'short' },
      texture: null,
      onAnswer: answer,
    })
    await part.press(/gritty/)
    expect(answer).toHaveBeenLastCalledWith(
      { ball: 'yes', ribbon: 'short', grit: 'gritty' },
      'sandy-loam',
    )
    await part.press(/start again/)
    expect(answer).toHaveBeenLastCalledWith({}, null)
  })
})

describe('finer readings', () => {
  it('take another plug as soon as one is given, drop an emptied one, and read a laboratory file', async () => {
    await opened()
    const patch = vi.fn()
    const part = await shown(MoreReadings, {
      zone: { id: 'z1', plugs: ['14 mm'] },
      index: 0,
      onPatch: patch,
    })
    await part.type('Plug 2, thatch', '3/4 in')
    expect(patch).toHaveBeenLastCalledWith('plugs', { plugs: ['14 mm', '3/4 in'] })
    await part.type('Plug 1, thatch', '')
    expect(patch).toHaveBeenLastCalledWith('plugs', { plugs: [] })
    const input = part.place.querySelector<HTMLInputElement>('input[type=file]')!
    Object.defineProperty(input, 'files', {
      value: [new File(['pH,5.7\nPhosphorus,low\n'], 'lab.csv')],
      configurable: true,
    })
    input.dispatchEvent(new Event('change'))
    await settle()
    expect(patch).toHaveBeenLastCalledWith('lab.file', { ph: 5.7, lab: { phosphorus: 'low' } })
    expect(part.text()).toContain('2 readings imported.')
  })
})

describe('shapes from typed lengths', () => {
  it('say their size before they are laid, and what cannot be', async () => {
    const job = await opened()
    const made = vi.fn()
    const part = await shown(TypedShape, { zone: undefined, onMade: made })
    await part.type('Length', '20 ft')
    await part.type('Width', '0')
    expect(part.text()).toContain('both more than nothing')
    await part.type('Width', '10')
    expect(part.text()).toMatch(/61 m², edge 32\.2 m/)
    part.place.querySelector('form')!.dispatchEvent(new Event('submit'))
    await settle()
    expect(made).toHaveBeenCalledOnce()
    expect(job.draft!.zones).toHaveLength(3)
    // Laid east of all that is drawn.
    expect(
      Math.min(
        ...(shapeOf(job, made.mock.calls[0]![0] as string).at as [number, number][][])[0]!.map(
          (p) => p[0],
        ),
      ),
    ).toBeGreaterThan(17)
  })
  it('take offsets from a base line in rows', async () => {
    await opened()
    const part = await shown(TypedShape, { zone: undefined })
    await part.pick('offsets')
    const area = part.place.querySelector('textarea')!
    area.value = '0, 2\n5, 4\n10, 3'
    area.dispatchEvent(new Event('input'))
    await settle()
    expect(part.text()).toContain('32.5 m²')
    area.value = '0, 2\n5, what'
    area.dispatchEvent(new Event('input'))
    await settle()
    expect(part.text()).toContain('two numbers')
  })
})

describe('the card of a shape', () => {
  it('makes an edge exact, keeps readings as typed, and says what is wrong with one', async () => {
    const job = await opened()
    const part = await shown(ShapeCard, {}, '?shape=l1')
    await part.type('Edge 1', '12.5 m')
    expect(job.figure('zone:z1.area')?.value).toBeCloseTo(100, 6)
    await part.type('Edge 1', 'about so')
    expect(job.figure('zone:z1.area')?.value).toBeCloseTo(100, 6)
    const hedge = await shown(ShapeCard, {}, '?shape=h1')
    await hedge.type('Height', '900 m')
    expect(shapeOf(job, 'h1').height).toBe('900 m')
    expect(hedge.text()).toContain('outside 0.1 m to 150 m')
  })
  it('tries a what-if and tells each zone’s gain, until it is agreed', async () => {
    const job = await opened()
    const part = await shown(ShapeCard, {}, '?shape=h1')
    await part.pick('gone')
    expect(shapeOf(job, 'h1').whatIf).toBe('gone')
    expect(part.text()).toMatch(/Back \+\d/)
    job.edit('agree', (d) => (d.drawing!.shapes![2]!.agreed = true))
    await settle()
    expect(part.text()).not.toMatch(/Back \+\d/)
  })
  it('tells a trench its soil, moves by a hand’s breadth, and makes one lawn of two', async () => {
    const job = await opened()
    const trench = await shown(ShapeCard, {}, '?shape=t1')
    // 10 m × 0.4 × 0.05 × 1.15, by hand.
    expect(trench.text()).toContain('0.23 m³ of soil')
    await trench.press(/^north$/)
    expect((shapeOf(job, 't1').at as number[][][])[0]![0]).toEqual([0, 2.1])
    const lawn = await shown(ShapeCard, {}, '?shape=l1')
    await lawn.press(/^Side$/)
    expect(job.draft!.zones!.map((z) => z.id)).toEqual(['z1'])
    expect(job.figure('zone:z1.area')?.value).toBeCloseTo(120, 6)
  })
  it('is not there for a shape that is gone', async () => {
    await opened()
    expect((await shown(ShapeCard, {}, '?shape=nothing')).text().trim()).toBe('')
  })
})

describe('the list of shapes', () => {
  it('names each with its size, and offers cutting only for a lawn', async () => {
    await opened()
    const choose = vi.fn()
    const list = await shown(ShapeList, {
      chosen: 'h1',
      tool: 'look',
      picture: false,
      by: 'tape',
      onChoose: choose,
    })
    expect(list.text()).toContain('Back 80 m²')
    expect(list.text()).not.toContain('cut in two')
    await list.press(/Side/)
    expect(choose).toHaveBeenCalledWith('l2')
    expect(
      (await shown(ShapeList, { chosen: 'l1', tool: 'look', picture: false, by: 'tape' })).text(),
    ).toContain('cut in two')
  })
})

describe('levels', () => {
  it('are taken in as pasted, staff readings turned about, what is wrong said by row, and the last taken back', async () => {
    const job = await opened()
    const part = await shown(LevelsBar, { zone: 'z1' })
    await part.press(/paste or file/)
    const paste = async (text: string) => {
      const area = part.place.querySelector('textarea')!
      area.value = text
      area.dispatchEvent(new Event('input'))
      await settle()
      part.place.querySelector('form')!.dispatchEvent(new Event('submit'))
      await settle()
    }
    await paste('x; y; height\n1; 1; 0\n9; 1; oops\n9; 7; -20\n')
    expect(part.text()).toContain('Row 3')
    expect(job.draft!.drawing!.levels).toHaveLength(2)
    part.place.querySelector<HTMLInputElement>('input[type=checkbox]')!.click()
    await settle()
    await paste('1, 7, 12')
    expect(job.draft!.drawing!.levels!.at(-1)).toMatchObject({ x: 1, y: 7, mm: -12 })
    expect(part.text()).toContain('Fill')
    await part.press(/undo the last/)
    expect(job.draft!.drawing!.levels).toHaveLength(2)
    expect(part.text()).toContain('Three readings not in one line make a surface')
  })
})

describe('the light', () => {
  const map = (fine: boolean) => ({
    fine,
    grid: { west: 0, south: 0, cell: fine ? 0.25 : 1, columns: 1, rows: 1 },
    values: new Float32Array([5]),
    zones: { z1: { low: 2.5, median: 4.2, high: 6, cells: 9 } },
    splits: {},
  })
  const answer = async (value: unknown) => {
    await vi.waitFor(() => expect(cast.answer).not.toBeNull(), { timeout: 30_000 })
    cast.answer!(value)
    await settle()
  }
  it('comes rough first and fine after, with its progress, by month, and again when an obstacle moves', async () => {
    const job = await opened()
    const survey = useSurvey()
    survey.wanted = 'light'
    await asked(1)
    expect(cast.calls).toMatchObject([{ fine: false, whatIf: false }])
    expect(survey.casting).toBeCloseTo(0.025, 6)
    await answer(map(false))
    expect([survey.light?.fine, cast.calls.length]).toEqual([false, 2])
    expect(survey.casting).toBeCloseTo(0.525, 6)
    await answer(map(true))
    expect([survey.light?.fine, survey.casting]).toEqual([true, null])
    expect(survey.months.z1).toHaveLength(12)
    job.edit('zone.name', (d) => (d.zones![0]!.name = 'Another name'))
    await new Promise((go) => setTimeout(go, 450))
    expect(cast.calls).toHaveLength(2)
    job.edit('hedge', (d) => (d.drawing!.shapes![2]!.height = '2 m'))
    await asked(3)
  })
  it('can be stopped, says so, and goes on when asked', async () => {
    await opened()
    const survey = useSurvey()
    survey.wanted = 'light'
    await asked(1)
    const part = await shown(LightBar, {
      zone: 'z1',
      minutes: null,
      day: 20_700,
      sun: null,
      split: null,
      drawn: true,
    })
    await part.press(/^stop$/)
    expect([survey.casting, survey.stopped, cast.stopped]).toEqual([null, true, 1])
    await answer(map(false))
    expect(survey.light).toBeNull()
    expect(part.text()).toContain('Stopped')
    await part.press(/go on/)
    expect(cast.calls).toHaveLength(2)
  })
  it('tells the spread of the chosen zone: the plan’s own figures over the growing weeks, the map’s over a month', async () => {
    const job = await opened()
    const survey = useSurvey()
    survey.wanted = 'light'
    await settle()
    await answer(map(false))
    const part = await shown(LightBar, {
      zone: 'z1',
      minutes: 600,
      day: 20_700,
      sun: { azimuth: 10, altitude: 31.4 },
      split: null,
      drawn: true,
    })
    const planned = ['sun.low', 'sun', 'sun.high'].map((key) =>
      String(job.figure(`zone:z1.${key}`)!.value),
    )
    expect([...part.place.querySelectorAll('.spread .number')].map((n) => n.textContent)).toEqual(
      planned,
    )
    survey.period = 3
    await settle()
    expect(part.text()).toContain(
      'darkest tenth under 2.5 h · half under 4.2 h · brightest tenth over 6 h',
    )
    expect(part.text()).toContain('10:00')
    expect(part.text()).toContain('sun 31° up')
  })
  it('says what is missing before there is any', async () => {
    const job = await opened({ name: 'x', zones: [] })
    const says = async (drawn: boolean) =>
      (
        await shown(LightBar, {
          zone: null,
          minutes: null,
          day: null,
          sun: null,
          split: null,
          drawn,
        })
      ).text()
    expect(await says(false)).toContain('The latitude is wanted first')
    job.edit('site', (d) => (d.site = { latitude: 44 }))
    await settle()
    expect(await says(false)).toContain('A lawn is wanted first')
    expect(await says(true)).toContain('Nothing stands in the way yet')
  })
})
