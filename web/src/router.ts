import { createRouter, createWebHistory } from 'vue-router'
import type { Stage } from '@juvena/core/working/figure'

/** Stages by their word in the address. */
export const STAGE_WORDS: Record<Stage, string> = { 1: 'walk-over', 2: 'findings', 3: 'approach', 4: 'seed', 5: 'materials', 6: 'order', 7: 'water', 8: 'diary' }
export const stageOfWord = (word: unknown): Stage => (Number(Object.entries(STAGE_WORDS).find(([, w]) => w === word)?.[0] ?? 1) as Stage)

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'season', component: () => import('./places/season/SeasonPlace.vue') },
    { path: '/jobs/:id/sheets', name: 'sheets', component: () => import('./places/sheets/SheetsPlace.vue') },
    { path: '/jobs/:id/:stage?', name: 'job', component: () => import('./places/job/JobPlace.vue') },
    { path: '/yard/:part?', name: 'yard', component: () => import('./places/yard/YardPlace.vue') },
    { path: '/:rest(.*)*', redirect: '/' },
  ],
})
