<script setup lang="ts">
import { sure } from '@juvena/core/quantities/sure'
import { computed, onBeforeUnmount, ref, shallowRef } from 'vue'
import { MEASURED_BY_NAMES, type Point } from '@juvena/core/entities/drawing'
import { fromGeoJson, toGeoJson } from '@juvena/core/formats/geoJson'
import { areaOf } from '@juvena/core/drawing/geometry'
import { toPlan, type Origin } from '@juvena/core/drawing/localMetres'
import { addShape } from '@juvena/core/drawing/shapeEdits'
import { showNumber } from '@juvena/core/quantities/show'
import { saveFile } from '../../../parts/saveFile.ts'
import { useFirm } from '../../../stores/firm.ts'
import { useJob } from '../../../stores/job.ts'
import { sendPhoto } from '../../../stores/photos.ts'
import type { Tool } from './PlanMap.vue'
import { readOutlines } from './outlineFiles.ts'

/**
 * Ways in and out of the plan: a picture to trace over, outline files, a walk with the phone;
 * GeoJSON and paper out.
 */
const emit = defineEmits<{ tool: [tool: Tool]; taken: [] }>()
const firm = useFirm()
const job = useJob()
const says = ref('')
const wrong = ref('')
const busy = ref(false)
const picture = computed(() => job.draft?.drawing?.picture ?? null)

const input = (event: Event) => {
  const el = event.target as HTMLInputElement
  const file = el.files?.[0]
  el.value = ''
  wrong.value = says.value = ''
  return file
}
async function takePicture(event: Event) {
  const file = input(event)
  if (!file || !job.id) return
  busy.value = true
  try {
    const photo = await sendPhoto(job.id, file, { kind: 'plan' })
    // Until its scale is set it lies about as wide as a garden.
    const metresPerPixel = 30 / photo.width
    job.edit(`drawing.picture.${photo.id}`, (d) => {
      d.drawing = {
        ...d.drawing,
        picture: {
          photo: photo.id,
          width: photo.width,
          height: photo.height,
          metresPerPixel,
          turned: 0,
          x: 0,
          y: 0,
          scaled: false,
        },
      }
    })
    says.value = 'Now set its scale by one known length.'
    emit('taken')
  } catch (error) {
    wrong.value = (error as Error).message
  } finally {
    busy.value = false
  }
}
const dropPicture = () =>
  job.edit(`drawing.picture.drop.${Date.now()}`, (d) => {
    d.drawing = { ...d.drawing, picture: null }
  })

const siteOrigin = computed<Origin | null>(() => {
  const plan = job.draft?.drawing
  if (plan?.origin) return plan.origin
  const [latitude, longitude] = [
    Number(job.draft?.site?.latitude),
    Number(job.draft?.site?.longitude),
  ]
  const given =
    job.draft?.site?.latitude !== undefined &&
    job.draft.site.longitude !== undefined &&
    job.draft.site.latitude !== null &&
    job.draft.site.longitude !== null
  return given && Number.isFinite(latitude) && Number.isFinite(longitude)
    ? { latitude, longitude }
    : null
})
async function takeOutlines(event: Event) {
  const file = input(event)
  if (!file) return
  const read = await readOutlines(file)
  if (!read.ok) return void (wrong.value = read.sentence)
  const anchored =
    (job.draft?.drawing?.shapes ?? []).length > 0 ? (job.draft?.drawing?.origin ?? null) : null
  const taken = fromGeoJson(read.value, anchored)
  if (!taken.ok) return void (wrong.value = taken.sentence)
  job.edit(`plan.in.${Date.now()}`, (d) => {
    for (const s of taken.shapes) {
      const { kind: _k, name: _n, id: _i, zone: _z, by: _b, ...kept } = s.said
      const readings = Object.fromEntries(Object.entries(kept).filter(([key]) => READINGS.has(key)))
      addShape(d, s.kind, s.at, 'imported', { ...readings, name: s.name })
    }
    sure(d.drawing).origin ??= taken.origin
    if (d.site?.latitude === undefined || d.site.latitude === null || d.site.latitude === '')
      d.site = {
        ...d.site,
        latitude: round5(taken.origin.latitude),
        longitude: round5(taken.origin.longitude),
      }
  })
  says.value = `${taken.shapes.length} ${taken.shapes.length === 1 ? 'shape' : 'shapes'} from ${file.name}. Laid flat, a length of 100 m is out by ${showNumber(taken.errorIn100 * 1000)} mm at most.${taken.left.length ? ` Left out: ${taken.left.slice(0, 2).join(' ')}` : ''}`
  emit('taken')
}
const READINGS = new Set([
  'height',
  'width',
  'crown',
  'stem',
  'dropsLeaf',
  'depth',
  'settling',
  'flow',
])
const round5 = (x: number) => Math.round(x * 1e5) / 1e5

function giveOut() {
  const origin = siteOrigin.value
  if (!origin)
    return void (wrong.value =
      'GeoJSON holds longitude and latitude: enter those of the site first, under Site and season.')
  const file = new Blob(
    [JSON.stringify(toGeoJson(job.draft?.drawing?.shapes ?? [], origin), null, 1)],
    { type: 'application/geo+json' },
  )
  const name = (job.draft?.name ?? '').replace(/[^A-Za-z0-9 _-]+/g, '').trim() || 'plan'
  saveFile(file, `${name}.geojson`)
}

/** A walk round the edge: each place the phone gives, and the worst error it stated. */
const walk = shallowRef<{ places: Point[]; worst: number; origin: Origin; now: number } | null>(
  null,
)
let watching: number | null = null
function begin() {
  wrong.value = says.value = ''
  if (!('geolocation' in navigator))
    return void (wrong.value =
      'This browser gives no position. Use a phone, or type lengths from the tape.')
  watching = navigator.geolocation.watchPosition(
    ({ coords }) => {
      const origin = walk.value?.origin ??
        job.draft?.drawing?.origin ??
        siteOrigin.value ?? { latitude: coords.latitude, longitude: coords.longitude }
      const at = toPlan([coords.longitude, coords.latitude], origin)
      const places = walk.value?.places ?? []
      const last = places.at(-1)
      const moved = !last || Math.hypot(at[0] - last[0], at[1] - last[1]) >= 1
      walk.value = {
        origin,
        places: moved ? [...places, at] : places,
        worst: Math.max(walk.value?.worst ?? 0, coords.accuracy),
        now: coords.accuracy,
      }
    },
    (error) => {
      wrong.value =
        error.code === error.PERMISSION_DENIED
          ? 'The browser keeps its position to itself. Allow it for this page, or use the tape.'
          : 'No position yet. Stand clear of walls and trees.'
      if (error.code === error.PERMISSION_DENIED) end()
    },
    { enableHighAccuracy: true, maximumAge: 1000 },
  )
}
function end() {
  if (watching !== null) navigator.geolocation.clearWatch(watching)
  watching = null
}
function keepWalk() {
  const w = walk.value
  end()
  walk.value = null
  if (!w || w.places.length < 3)
    return void (wrong.value = 'Fewer than three places were read: walk right round the edge.')
  job.edit(`plan.walk.${Date.now()}`, (d) => {
    addShape(d, 'lawn', [w.places], 'phone', { error: `${Math.round(w.worst * 10) / 10} m` })
    sure(d.drawing).origin ??= w.origin
  })
  emit('taken')
}
onBeforeUnmount(end)
const walked = computed(() =>
  walk.value && walk.value.places.length > 2 ? firm.text(areaOf([walk.value.places]), 'm2') : '',
)
</script>

<template>
  <section class="in" aria-label="Picture, file, phone">
    <div>
      <h3>Trace over a picture</h3>
      <p class="small soft">
        A plan, a scan, or a photo from straight above. It is kept beside the job, without the
        camera’s record.
      </p>
      <p class="row">
        <label class="act slight"
          >{{ busy ? 'Taking it in…' : picture ? 'Another picture' : 'Choose a picture'
          }}<input
            class="only-read"
            type="file"
            accept="image/*"
            :disabled="busy"
            @change="takePicture"
        /></label>
        <template v-if="picture">
          <button type="button" class="act slight" @click="emit('tool', 'scale')">
            Set its scale
          </button>
          <button type="button" class="act slight" @click="emit('tool', 'north')">Set north</button>
          <button type="button" class="plain small" @click="dropPicture">remove</button>
        </template>
      </p>
      <p v-if="picture && !picture.scaled" class="small warn">
        Its scale is not set: every size traced on it is a guess until it is.
      </p>
    </div>
    <div>
      <h3>Import outlines</h3>
      <p class="small soft">
        GeoJSON, KML or GPX. Areas and walks that come round become lawns; what a shape is can be
        changed.
      </p>
      <p class="row">
        <label class="act slight"
          >Choose a file<input
            class="only-read"
            type="file"
            accept=".geojson,.json,.kml,.gpx,application/geo+json,application/json,application/gpx+xml"
            @change="takeOutlines"
        /></label>
        <button
          type="button"
          class="act slight"
          :disabled="!(job.draft?.drawing?.shapes ?? []).length"
          @click="giveOut"
        >
          Export GeoJSON
        </button>
        <RouterLink class="act slight" :to="`/jobs/${job.id}/sheets?sheet=plan`"
          >Print to scale</RouterLink
        >
      </p>
    </div>
    <div>
      <h3>Walk it with the phone</h3>
      <p class="small soft">
        Good to a few metres: enough for half a hectare, not for a strip. The error the phone states
        goes with the area.
      </p>
      <p class="row">
        <button v-if="!walk && watching === null" type="button" class="act slight" @click="begin">
          Start at the edge
        </button>
        <template v-else>
          <span role="status">{{
            walk
              ? `${walk.places.length} places, ± ${showNumber(walk.now)} m now${walked ? `, ${walked} so far` : ''}`
              : 'waiting for a position'
          }}</span>
          <button type="button" class="act slight" @click="keepWalk">Finish the walk</button>
        </template>
      </p>
    </div>
    <p v-if="says" class="wide small" role="status">{{ says }}</p>
    <p v-if="wrong" class="wide wrong" role="alert">{{ wrong }}</p>
    <p class="wide small soft">
      Each area says how it was measured ({{ Object.values(MEASURED_BY_NAMES).join(', ') }}), and
      how far it may be out.
    </p>
  </section>
</template>

<style scoped>
.in {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(10.5rem, 1fr));
  gap: 0.5rem 1.25rem;
  border: 1px solid var(--rule);
  background: var(--paper);
  padding: 0.5rem 0.75rem;
}
h3 {
  font-size: 0.9375rem;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 0.35rem 0.5rem;
  align-items: center;
  margin-top: 0.3rem;
}
label.act:focus-within {
  box-shadow: var(--focus);
}
.wide {
  grid-column: 1 / -1;
}
.warn {
  color: var(--sun);
}
.wrong {
  color: var(--hold);
}
</style>
