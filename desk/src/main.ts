import '@fontsource-variable/bricolage-grotesque'
import '@fontsource-variable/figtree'
import 'ant-design-vue/dist/reset.css'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './app/App.vue'
import { createDeskRouter } from './app/router'
import './app/desk.css'

createApp(App).use(createPinia()).use(createDeskRouter()).mount('#app')
