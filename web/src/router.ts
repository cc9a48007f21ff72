import { createRouter, createWebHistory } from 'vue-router'
import { api } from './api/client'

export const stations = ['study', 'unify', 'technique', 'tempo', 'assign', 'hear'] as const
export type Station = (typeof stations)[number]

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'shelf', component: () => import('./views/shelf/ShelfView.vue'), meta: { title: 'Shelf' } },
    {
      path: '/ensemble',
      name: 'ensemble',
      component: () => import('./views/house/EnsembleView.vue'),
      meta: { title: 'Ensemble' },
    },
    {
      path: '/house-rules',
      name: 'house-rules',
      component: () => import('./views/house/HouseRulesView.vue'),
      meta: { title: 'House rules' },
    },
    {
      path: '/records',
      name: 'records',
      component: () => import('./views/house/RecordsView.vue'),
      meta: { title: 'Records' },
    },
    {
      path: '/sign-in',
      name: 'sign-in',
      component: () => import('./views/house/SignInView.vue'),
      meta: { bare: true, title: 'Sign in' },
    },
    {
      path: `/piece/:id(\\d+)/:station(${stations.join('|')})?`,
      name: 'piece',
      component: () => import('./views/piece/PieceView.vue'),
      meta: { title: 'Piece' },
    },
    {
      path: '/piece/:id(\\d+)/parts',
      name: 'parts',
      component: () => import('./parts/PartsView.vue'),
      meta: { title: 'Parts and files' },
    },
    {
      path: '/piece/:id(\\d+)/part/:part',
      name: 'part',
      component: () => import('./parts/PartPrint.vue'),
      meta: { bare: true, title: 'Part' },
    },
    {
      path: '/piece/:id(\\d+)/letter/:part',
      name: 'letter',
      component: () => import('./parts/PartLetter.vue'),
      meta: { bare: true, title: 'Part letter' },
    },
    {
      path: '/piece/:id(\\d+)/errata',
      name: 'errata',
      component: () => import('./parts/ErrataView.vue'),
      meta: { bare: true, title: 'Decisions and errata' },
    },
    {
      path: '/piece/:id(\\d+)/crib/:part',
      name: 'crib',
      component: () => import('./hands/CribView.vue'),
      meta: { bare: true, title: 'Fingering crib' },
    },
    {
      path: '/charts/:instrument?',
      name: 'charts',
      component: () => import('./hands/ChartsView.vue'),
      meta: { title: 'Charts' },
    },
    {
      path: '/sheet/:passage(\\d+)',
      name: 'sheet',
      component: () => import('./views/piece/SheetView.vue'),
      meta: { bare: true, title: 'Section sheet' },
    },
    {
      path: '/:rest(.*)*',
      name: 'nowhere',
      component: () => import('./views/NowhereView.vue'),
      meta: { title: 'Not found' },
    },
  ],
})

// Every page but the sign-in asks first who is there.
router.beforeEach(async (to) => {
  document.title = `${String(to.meta.title ?? '')} · Mellow Stand`
  if (to.name === 'sign-in') return true
  const { data } = await api.GET('/api/session')
  return data?.name ? true : { name: 'sign-in', query: { to: to.fullPath } }
})
