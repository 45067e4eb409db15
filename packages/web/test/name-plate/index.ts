import { showKind } from '../../src/kinds/registry'

/** All that a third kind adds to the screen: this folder. */
showKind({
  id: 'name-plate',
  title: 'name plate',
  bench: () => import('./PlateBench.vue'),
  to: (id) => `/bench/${id}`,
})
