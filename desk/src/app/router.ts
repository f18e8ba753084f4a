import { createRouter, createWebHistory } from 'vue-router'
import type { Permission } from '@vivid/contract'
import CalculatorsPage from '../calculators/CalculatorsPage.vue'
import SignInPage from '../people/SignInPage.vue'
import { useSession } from '../shared/session/session-store'
import UnknownPage from './UnknownPage.vue'

declare module 'vue-router' {
  interface RouteMeta {
    /** What only some may do is all there is to do on the page. */
    needs?: Permission
  }
}

export function createDeskRouter() {
  const router = createRouter({
    history: createWebHistory('/desk'),
    routes: [
      { path: '/sign-in', component: SignInPage },
      { path: '/', component: CalculatorsPage },
      { path: '/calculators/:id', component: () => import('../calculators/CalculatorPage.vue'), props: true },
      {
        path: '/calculators/:id/reading',
        component: () => import('../calculators/ReadingPage.vue'),
        props: true,
      },
      {
        path: '/worksheet',
        component: () => import('../calculators/worksheet/WorksheetPage.vue'),
        meta: { needs: 'edit' },
      },
      {
        path: '/calculators/:id/worksheet',
        component: () => import('../calculators/worksheet/WorksheetPage.vue'),
        props: true,
        meta: { needs: 'edit' },
      },
      { path: '/record', component: () => import('../record/RecordPage.vue') },
      { path: '/rate-sheets', component: () => import('../rate-sheets/RateSheetsPage.vue') },
      { path: '/house-styles', component: () => import('../house-styles/HouseStylesPage.vue') },
      { path: '/placements', component: () => import('../placements/PlacementsPage.vue') },
      { path: '/audience', component: () => import('../audience/AudiencePage.vue') },
      { path: '/channels', component: () => import('../channels/ChannelsPage.vue') },
      { path: '/people', component: () => import('../people/PeoplePage.vue'), meta: { needs: 'keep' } },
      {
        path: '/people/archive',
        component: () => import('../archive/ArchivePage.vue'),
        meta: { needs: 'keep' },
      },
      { path: '/me', component: () => import('../people/AccountPage.vue') },
      { path: '/welcome', component: () => import('../people/WelcomePage.vue') },
      { path: '/:unknown(.*)*', component: UnknownPage },
    ],
  })
  router.beforeEach(async (to) => {
    // Whoever comes by an invitation has no session yet.
    if (to.path === '/welcome') return true
    const session = useSession()
    await session.load().catch(() => undefined)
    const signedIn = session.person !== undefined
    if (to.path === '/sign-in') return signedIn ? '/' : true
    if (session.state?.mustSetUp && to.path !== '/me') return '/me'
    return signedIn ? true : { path: '/sign-in', query: { then: to.fullPath } }
  })
  return router
}
