/// <reference types="vite-plugin-pwa/client" />
declare module '*.vue' {
  import type { DefineComponent } from 'vue'
  const component: DefineComponent<object, object, unknown>
  export default component
}
declare module 'element-plus/es/components/dialog/style/css'
declare module 'element-plus/es/components/date-picker/style/css'
declare module '*.css'
declare module 'element-plus/es/components/select/style/css'
declare module 'element-plus/es/components/table/style/css'
