import { createRouter, createWebHistory } from 'vue-router'
import { useSession } from './state/session'

export const PLACES = [
  { key: '1', name: 'boat', title: 'Boat', path: '/boat' },
  { key: '2', name: 'bench', title: 'Bench', path: '/bench' },
  { key: '', name: 'through-hulls', title: 'Through-hulls', path: '/through-hulls' },
  { key: '3', name: 'plan', title: 'Plan', path: '/plan' },
  { key: '4', name: 'stores', title: 'Stores', path: '/stores' },
  { key: '5', name: 'register', title: 'Register', path: '/register' },
  { key: '6', name: 'watch', title: 'Watch', path: '/watch' },
  { key: '7', name: 'reference', title: 'Reference', path: '/reference' },
] as const
/** No places of their own; what waits is looked at when there is no line to fetch it by. */
export const SOON = [() => import('./places/bench/FittingList.vue'), () => import('./pieces/WhatWaits.vue')]
/** On a phone these stand behind More: the bar at the foot has room for six. */
export const ASIDE: string[] = ['through-hulls', 'reference']

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', redirect: '/boat' },
    { path: '/sign-in', name: 'sign-in', component: () => import('./places/sign-in/SignIn.vue') },
    { path: '/join/:secret', name: 'join', component: () => import('./places/sign-in/JoinYard.vue') },
    { path: '/look/:secret', name: 'look', component: () => import('./places/sign-in/ByLink.vue') },
    { path: '/yard', name: 'yard', component: () => import('./places/yard/YardPlace.vue') },
    { path: '/boat/:id?', name: 'boat', component: () => import('./places/boat/BoatPlace.vue') },
    {
      path: '/boat/:id/:tab(build|readings|found|angles|files|history|notes)',
      name: 'survey',
      component: () => import('./places/boat/SurveyPlace.vue'),
    },
    { path: '/bench/:id?', name: 'bench', component: () => import('./places/bench/AnyBench.vue') },
    {
      path: '/through-hulls/:id?',
      name: 'through-hulls',
      component: () => import('./kinds/through-hull/ThroughHullPlace.vue'),
    },
    { path: '/plan', name: 'plan', component: () => import('./places/plan/PlanPlace.vue') },
    { path: '/stores', name: 'stores', component: () => import('./places/stores/StoresPlace.vue') },
    {
      path: '/register/:hole?',
      name: 'register',
      component: () => import('./places/register/RegisterPlace.vue'),
    },
    { path: '/watch', name: 'watch', component: () => import('./places/watch/WatchPlace.vue') },
    {
      path: '/reference/sums/:sum?',
      name: 'sums',
      component: () => import('./places/reference/sums/QuickSum.vue'),
    },
    {
      path: '/reference/:page?',
      name: 'reference',
      component: () => import('./places/reference/ReferencePlace.vue'),
    },
    // as it was called until version 0.1
    { path: '/below/:id?', redirect: (to) => `/through-hulls/${String(to.params.id ?? '')}` },
    { path: '/:rest(.*)*', name: 'nothing', component: () => import('./places/NotFound.vue') },
  ],
})

/** What stands before the door. */
export const OUTSIDE = ['sign-in', 'join', 'look']
router.beforeEach(async (to) => {
  const session = useSession()
  if (!session.asked) await session.ask().catch(() => undefined)
  if (!OUTSIDE.includes(String(to.name)) && !session.account)
    return { name: 'sign-in', query: { to: to.fullPath } }
  return true
})
