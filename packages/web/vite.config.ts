import vue from '@vitejs/plugin-vue'
import Components from 'unplugin-vue-components/vite'
import { ElementPlusResolver } from 'unplugin-vue-components/resolvers'
import { templateWords } from './template-words'
import { defineConfig } from 'vite'

export default defineConfig({
  root: import.meta.dirname,
  plugins: [
    vue(templateWords),
    Components({ dirs: [], dts: false, resolvers: [ElementPlusResolver({ importStyle: 'css' })] }),
  ],
  resolve: {
    alias: { '@ctrl/tinycolor': `${import.meta.dirname}/src/style/no-colour.ts` },
  },
  build: { outDir: 'dist', manifest: true, emptyOutDir: true, chunkSizeWarningLimit: 900 },
  worker: { format: 'es' },
  server: { proxy: { '/api': 'http://127.0.0.1:4180' } },
})
