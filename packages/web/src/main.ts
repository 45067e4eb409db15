import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import { OUTSIDE, router } from './router'
import { begin } from './state/early'
import { keepPages } from './state/newer'
import './style/base.css'
import './style/element.css'
import './style/print.css'

keepPages()
const at = router.resolve(location.pathname === '/' ? '/boat' : location.pathname + location.search)
if (!OUTSIDE.includes(String(at.name))) begin(at, () => import('./Frame.vue'))
// Reading the program is one piece of work, drawing the page another: a press between them is heard.
setTimeout(() => createApp(App).use(createPinia()).use(router).mount('#app'))
