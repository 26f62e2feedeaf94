import { createRouter, createWebHistory } from 'vue-router'

/** A phone opens on the day's work; a tab that is open already stays where it is. */
const OPENED = 'juvena.opened'
function firstPlace(): string | boolean {
  const first = sessionStorage.getItem(OPENED) === null
  sessionStorage.setItem(OPENED, 'yes')
  return first && matchMedia('(max-width: 640px)').matches ? '/today' : true
}

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    {
      path: '/',
      name: 'season',
      component: () => import('./places/season/SeasonPlace.vue'),
      beforeEnter: firstPlace,
    },
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
