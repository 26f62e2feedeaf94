import { createRouter, createWebHistory } from 'vue-router'

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'season', component: () => import('./places/season/SeasonPlace.vue') },
    { path: '/today', name: 'today', component: () => import('./places/today/TodayPlace.vue') },
    {
      path: '/jobs/:id/sheets',
      name: 'sheets',
      component: () => import('./places/sheets/SheetsPlace.vue'),
    },
    {
      path: '/jobs/:id/:stage?',
      name: 'job',
      component: () => import('./places/job/JobPlace.vue'),
    },
    { path: '/yard/:part?', name: 'yard', component: () => import('./places/yard/YardPlace.vue') },
    { path: '/:rest(.*)*', redirect: '/' },
  ],
})
