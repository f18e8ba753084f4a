import '@fontsource-variable/bricolage-grotesque'
import '@fontsource-variable/figtree'
import 'ant-design-vue/dist/reset.css'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import { fetchAllLanguages } from '@vivid/contract/wording'
import { onProofNeeded, onSignedOut } from './shared/api/request'
import { useProof } from './shared/session/proof-store'
import App from './app/App.vue'
import { createDeskRouter } from './app/router'
import { useSession } from './shared/session/session-store'
import './shared/page/desk.css'
import './shared/page/editor.css'

const router = createDeskRouter()
const app = createApp(App).use(createPinia()).use(router)
onProofNeeded(() => useProof().prove())
onSignedOut(() => {
  if (router.currentRoute.value.path === '/sign-in') return
  useSession().forget()
  void router.replace({ path: '/sign-in', query: { then: router.currentRoute.value.fullPath } })
})
// Calculators are shown in any of them.
void fetchAllLanguages().then(() => app.mount('#app'))
