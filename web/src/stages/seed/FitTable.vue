<script setup lang="ts">
import { sure } from '@juvena/core/quantities/sure'
import { computed, ref } from 'vue'
import type { ZoneSummary } from '@juvena/core/plan/jobPlan'
import { FIT_PART_NAMES, FIT_PARTS } from '@juvena/core/seed/fit/parts'
import { useFirm } from '../../stores/firm.ts'

/**
 * How the grasses of the mix, and the best one left out, fit this ground: part by part, with the
 * reading behind each.
 */
const props = defineProps<{ zone: ZoneSummary }>()
const firm = useFirm()
const open = ref(false)
const fits = computed(() => sure(props.zone.seed).chosen.fits)
const rows = computed(() =>
  FIT_PARTS.flatMap((part) => {
    const of = fits.value.map((f) => f.parts.find((p) => p.part === part))
    return of[0] ? [{ part, name: FIT_PART_NAMES[part], counts: of[0].weight, of }] : []
  }),
)
const mark = (rating: number) => (rating >= 90 ? 'good' : rating >= 60 ? 'fair' : 'poor')
</script>

<template>
  <div v-if="fits.length" class="fit">
    <button type="button" class="plain small" :aria-expanded="open" @click="open = !open">
      {{ open ? 'Hide the fit' : 'Why these: the fit, part by part' }}
    </button>
    <div v-if="open" class="lying" tabindex="0" role="region" aria-label="The fit, part by part">
      <table>
        <thead>
          <tr>
            <th>part</th>
            <th class="n">counts</th>
            <th v-for="f in fits" :key="f.grass" colspan="2">{{ firm.grassShort(f.grass) }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in rows" :key="r.part">
            <th scope="row">{{ r.name }}</th>
            <td class="n soft">{{ r.counts }}</td>
            <template v-for="(p, i) in r.of" :key="fits[i]!.grass">
              <td class="n rating" :class="p ? mark(p.rating) : ''">
                {{ p ? Math.round(p.rating) : '·' }}
              </td>
              <td class="says small">{{ p ? firm.say(p.says) : '' }}</td>
            </template>
          </tr>
        </tbody>
      </table>
    </div>
  </div>
</template>

<style scoped>
.lying {
  overflow-x: auto;
}
td,
tbody th {
  padding: 0.22rem 0.5rem 0.22rem 0;
  vertical-align: top;
  font-size: 0.9rem;
  line-height: 1.25;
  text-align: left;
  font-weight: 400;
}
td.n {
  text-align: right;
}
.rating {
  font-weight: 700;
  border-left: 4px solid var(--moss);
  padding-left: 0.35rem;
  width: 2.6rem;
}
.rating.fair {
  border-left-color: var(--sun-mark);
}
.rating.poor {
  border-left-color: var(--hold);
}
.says {
  color: var(--soft);
  min-width: 7.5rem;
}
</style>
