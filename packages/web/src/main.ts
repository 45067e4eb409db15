import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import { router } from './router'
import { keepPages } from './state/newer'
import './style/base.css'
import './style/element.css'
import './style/print.css'

keepPages()
createApp(App).use(createPinia()).use(router).mount('#app')
