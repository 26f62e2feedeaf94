<script setup lang="ts">
import { ElInput } from 'element-plus'
import { computed, nextTick, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { ruleSays } from '@juvena/core/present/explain'
import { STAGES } from '@juvena/core/present/spine'
import { bookPages, type BookPage } from '@juvena/core/ruleBook'
import type { Stage } from '@juvena/core/rules/rule'
import { useFirm } from '../../stores/firm.ts'
import SoilCore from '../job/SoilCore.vue'
import RuleEntry from './RuleEntry.vue'

/**
 * The rule book, a chapter for each stage of a job, from the grass down: every rule, every number
 * of the trade, and the firm's own beside Juvena's.
 */
const firm = useFirm()
const route = useRoute()
const router = useRouter()
const pages = bookPages()
type Chapter = Stage | 9
const chapterOf = (page: BookPage): Chapter => page.rule?.stage ?? 9
const CHAPTERS: { id: Chapter; name: string }[] = [
  ...(Object.entries(STAGES).map(([id, name]) => ({ id: Number(id) as Stage, name })) satisfies {
    id: Chapter
    name: string
  }[]),
  { id: 9, name: 'Numbers of the trade' },
]
const search = ref('')
const onlyOwn = ref(false)
const ownIn = (page: BookPage) => page.values.filter((v) => v.id in firm.settings.values).length
const found = computed(() => {
  const words = search.value.toLowerCase().split(/\s+/).filter(Boolean)
  return pages.filter((p) => {
    const says = p.rule ? firm.say(ruleSays(p.rule, firm.settings.values)) : ''
    const text =
      `${firm.say(p.title)} ${says} ${p.values.map((v) => v.says).join(' ')}`.toLowerCase()
    return words.every((w) => text.includes(w)) && (!onlyOwn.value || ownIn(p) > 0)
  })
})
/** While something is searched for, all chapters are shown with what was found in them. */
const searching = computed(() => search.value.trim() !== '' || onlyOwn.value)
const asked = computed(() => (typeof route.query.rule === 'string' ? route.query.rule : null))
const chapter = computed<Chapter>(() => {
  const rule = pages.find((p) => p.id === asked.value)
  const named = Number(route.query.chapter) as Chapter
  return rule ? chapterOf(rule) : CHAPTERS.some((c) => c.id === named) ? named : 1
})
const shown = computed(() =>
  CHAPTERS.map((c) => ({ ...c, all: found.value.filter((p) => chapterOf(p) === c.id) })).map(
    (c) => ({
      ...c,
      own: c.all.reduce((sum, p) => sum + ownIn(p), 0),
      open: searching.value ? c.all.length > 0 : c.id === chapter.value,
    }),
  ),
)
const read = (id: Chapter) => {
  ;[search.value, onlyOwn.value] = ['', false]
  void router.replace({ query: { chapter: String(id) } })
}
const toggle = (page: BookPage) =>
  void router.replace({
    query:
      page.id === asked.value
        ? { chapter: String(chapterOf(page)) }
        : { ...route.query, rule: page.id },
  })
watch(
  asked,
  (id) =>
    id &&
    void nextTick(() =>
      document.getElementById(`rule-${id}`)?.scrollIntoView({ block: 'nearest' }),
    ),
  { immediate: true },
)
const changed = computed(() => Object.keys(firm.settings.values).length)
</script>

<template>
  <div class="book">
    <nav class="chapters" aria-label="Chapters">
      <ElInput
        v-model="search"
        placeholder="search rules and numbers"
        aria-label="Search rules and numbers"
        clearable
      />
      <ul>
        <li v-for="c in shown" :key="c.id">
          <button
            type="button"
            :aria-current="!searching && c.id === chapter ? 'true' : undefined"
            @click="read(c.id)"
          >
            <span class="core" aria-hidden="true"
              ><SoilCore v-if="c.id !== 9" :stage="c.id"
            /></span>
            <span
              ><b>{{ c.name }}</b>
              <span class="small soft"
                >{{ c.all.length }}
                {{ c.id === 9 ? 'groups' : c.all.length === 1 ? 'rule' : 'rules'
                }}{{ c.own ? `, ${c.own} yours` : '' }}</span
              ></span
            >
          </button>
        </li>
      </ul>
      <button type="button" class="act slight" :aria-pressed="onlyOwn" @click="onlyOwn = !onlyOwn">
        yours, {{ changed }}
      </button>
    </nav>
    <section class="page" aria-label="Rules">
      <template v-for="c in shown" :key="c.id">
        <template v-if="c.open">
          <h2>{{ c.name }}</h2>
          <ul class="entries">
            <RuleEntry
              v-for="p in c.all"
              :id="`rule-${p.id}`"
              :key="p.id"
              :of="p"
              :open="p.id === asked"
              @toggle="toggle(p)"
            />
          </ul>
        </template>
      </template>
      <p v-if="found.length === 0" class="soft none">
        {{
          onlyOwn && !search
            ? 'You go by Juvena’s numbers throughout. Set one of your own on any rule.'
            : 'No rule or number speaks of that.'
        }}
      </p>
    </section>
  </div>
</template>

<style scoped>
.book {
  display: grid;
  grid-template-columns: 15rem minmax(0, 1fr);
  gap: 1.5rem;
  align-items: start;
}
.chapters {
  position: sticky;
  top: 0.5rem;
  display: grid;
  gap: 0.6rem;
  justify-items: start;
}
.chapters ul {
  list-style: none;
  margin: 0;
  padding: 0;
  width: 100%;
}
.chapters li button {
  display: grid;
  grid-template-columns: 1.6rem minmax(0, 1fr);
  gap: 0.7rem;
  align-items: center;
  width: 100%;
  border: 0;
  padding: 0 0.4rem 0 0;
  background: none;
  font: inherit;
  color: inherit;
  text-align: left;
  line-height: 1.25;
  cursor: pointer;
}
.core {
  height: 3rem;
  overflow: hidden;
  border: 2px solid var(--ink);
  border-top-width: 0;
}
.chapters li:first-child .core {
  border-top-width: 2px;
  border-radius: 0.8rem 0.8rem 0 0;
}
.chapters li:nth-child(8) .core {
  border-radius: 0 0 0.8rem 0.8rem;
}
.chapters li:nth-child(9) {
  margin-top: 0.5rem;
}
.chapters li:nth-child(9) .core {
  border: 0;
}
.chapters li button > span:last-child {
  padding: 0.35rem 0.5rem;
  border-left: 4px solid transparent;
}
.chapters li button:hover > span:last-child {
  background: var(--paper-deep);
}
.chapters li button[aria-current='true'] > span:last-child {
  background: var(--sheet);
  border-left-color: var(--ink);
}
.chapters .small {
  display: block;
}
.page {
  background: var(--sheet);
  border: 1px solid var(--rule);
  padding: 0.9rem 1.4rem 1.4rem;
}
.page h2 {
  margin: 0 0 0.3rem;
}
.page h2:not(:first-child) {
  margin-top: 1.2rem;
}
.entries {
  list-style: none;
  margin: 0;
  padding: 0;
}
.none {
  padding: 0.6rem;
}
@media (max-width: 860px) {
  .book {
    grid-template-columns: 1fr;
  }
  .chapters {
    position: static;
  }
  .chapters ul {
    display: grid;
    grid-template-columns: 1fr 1fr;
  }
  .core {
    display: none;
  }
  .chapters li button {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
