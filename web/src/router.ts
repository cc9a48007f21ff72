import { createRouter, createWebHistory } from 'vue-router'
import { sessionQuery } from './api/queries'
import { queries } from './api/queryClient'
import { isLost } from './common/tell'

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
      path: '/season/:tab(weeks|calendar|rehearsals)?',
      name: 'season',
      component: () => import('./views/season/SeasonView.vue'),
      meta: { title: 'Season' },
    },
    {
      path: '/auditions/:tab(sets|scales)?',
      name: 'auditions',
      component: () => import('./views/auditions/AuditionsView.vue'),
      meta: { title: 'Auditions' },
    },
    {
      path: '/audition/:set(\\d+)/:tab(pieces|answers|candidates|mocks|recording)?',
      name: 'audition',
      component: () => import('./views/auditions/SetView.vue'),
      meta: { title: 'Audition set' },
    },
    {
      path: '/audition/:set(\\d+)/style',
      name: 'audition-style',
      component: () => import('./auditions/matters/StyleSheet.vue'),
      meta: { bare: true, title: 'Style sheet' },
    },
    {
      path: '/mock/:mock(\\d+)/:tab(marks|results)?',
      name: 'mock',
      component: () => import('./views/auditions/MockView.vue'),
      meta: { title: 'Mock audition' },
    },
    {
      path: '/mock/:mock(\\d+)/sheet',
      name: 'mock-sheet',
      component: () => import('./auditions/mock/ListenerSheets.vue'),
      meta: { bare: true, title: 'Listeners’ sheets' },
    },
    {
      path: '/week/:section(\\d+)',
      name: 'week',
      component: () => import('./season/WeekSheet.vue'),
      meta: { bare: true, title: 'Week sheet' },
    },
    {
      path: '/piece/:id(\\d+)/plan',
      name: 'plan',
      component: () => import('./season/PiecePlan.vue'),
      meta: { bare: true, title: 'Plan of the piece' },
    },
    {
      path: '/test/:test(\\d+)',
      name: 'test',
      component: () => import('./stations/hear/tests/TestView.vue'),
      meta: { title: 'Playing test' },
    },
    {
      path: '/test/:test(\\d+)/sheet',
      name: 'test-sheet',
      component: () => import('./stations/hear/tests/TestSheet.vue'),
      meta: { bare: true, title: 'Test sheet' },
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
      path: '/player/:player(\\d+)',
      name: 'player',
      component: () => import('./views/house/PlayerView.vue'),
      meta: { title: 'Player' },
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
      path: '/piece/:id(\\d+)/print',
      name: 'print',
      component: () => import('./parts/print/PrintAll.vue'),
      meta: { bare: true, title: 'All parts' },
    },
    {
      path: '/piece/:id(\\d+)/part/:part',
      name: 'part',
      component: () => import('./parts/print/PartPrint.vue'),
      meta: { bare: true, title: 'Part' },
    },
    {
      path: '/piece/:id(\\d+)/letter/:part',
      name: 'letter',
      component: () => import('./parts/sheets/PartLetter.vue'),
      meta: { bare: true, title: 'Part letter' },
    },
    {
      path: '/piece/:id(\\d+)/practice',
      name: 'practice',
      component: () => import('./practice/PracticeSheet.vue'),
      meta: { bare: true, title: 'Practice sheet' },
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
      component: () => import('./parts/sheets/SheetView.vue'),
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

const askAgainAfter = 60_000

// Every page but the sign-in asks first who is there; a change of the selection is no new page.
router.beforeEach(async (to, before) => {
  if (to.path === before.path && before.matched.length > 0) return true
  document.title = `${String(to.meta.title ?? '')} · Mellow Stand`
  if (to.name === 'sign-in') return true
  const session = await queries
    .fetchQuery({ ...sessionQuery, staleTime: askAgainAfter })
    .catch((e: unknown) => (isLost(e) ? { name: 'nobody can say' } : { name: null }))
  return session.name ? true : { name: 'sign-in', query: { to: to.fullPath } }
})
