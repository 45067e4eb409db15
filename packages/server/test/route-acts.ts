import type { Act } from '@north-tide/core'

/**
 * What each route is an act of: the one table beside the roles of the core. `public` is open without
 * signing in, `in` to whoever is signed in, `own` is of his own account. A route that is not named here
 * fails the test.
 */
export type Asks = Act | 'public' | 'in' | 'own'
const all = (act: Asks, ...routes: string[]): [string, Asks][] => routes.map((r) => [r, act])
const boat = (method: string, ...paths: string[]) => paths.map((p) => `${method} /boats/:id${p}`)
const get = (...paths: string[]) => boat('GET', ...paths)
const post = (...paths: string[]) => boat('POST', ...paths)
const LIST: [string, Asks][] = [
  ...all('public', 'GET /session', 'POST /session', 'POST /session/demo', 'POST /session/first'),
  ...all('public', 'DELETE /session', 'GET /session/join/:secret', 'POST /session/join', 'GET /today'),
  ...all('public', 'GET /calc', 'POST /calc/:name', 'GET /feeds/:secret.ics'),
  ...all(
    'own',
    'DELETE /sessions',
    'PUT /session/password',
    'GET /feeds',
    'POST /feeds',
    'DELETE /feeds/:feed',
    'GET /post',
    'PUT /post/address',
    'POST /post/:letter/read',
    'GET /tasks/:task',
    'DELETE /tasks/:task',
    'POST /tasks/:task/again',
    'GET /tasks/:task/file',
  ),
  ...all('people', 'GET /tasks', 'GET /backups', 'POST /backups'),
  ...all('read', 'POST /boats/:id/passport/tasks'),
  ...all('in', 'GET /boats', 'GET /catalogue', 'GET /habits', 'GET /hardware.csv', 'GET /hardware.json'),
  ...all('in', 'GET /goods', 'GET /goods.json', 'GET /hole-columns', 'GET /instruments', 'GET /yard-values'),
  ...all('in', 'GET /instruments/:kind/stream', 'GET /through-hull-catalogue', 'POST /hardware/outline.dxf'),
  ...all('in', 'GET /plan', 'GET /plan.csv', 'GET /plan.ics', 'GET /plan/day.pdf', 'POST /passports/check'),
  ...all('in', 'GET /fitters', 'GET /watch'),
  ...all('stores', 'GET /plan/jobs/:job'),
  ...all(
    'read',
    ...get('', '/angles', '/angles.csv', '/angles.dxf', '/boat.json', '/campaign', '/companionway.pdf'),
  ),
  ...all('read', ...get('/cutting', '/cutting/:sheet.dxf', '/flooding', '/floods', '/happened', '/holds')),
  ...all(
    'read',
    ...get(
      '/labels.pdf',
      '/last-survey',
      '/leaks',
      '/map.:kind',
      '/notes',
      '/papers',
      '/parts',
      '/parts.csv',
      '/passport',
    ),
  ),
  ...all('read', ...get('/passport.json', '/passport.pdf', '/passport.zip', '/past', '/past/:fitting')),
  ...all('read', ...get('/penetrations', '/photos', '/readings', '/register-events.csv', '/register.csv')),
  ...all('read', ...get('/proofs', '/register.json', '/rejudge/:job', '/trends', '/watch')),
  ...all('read', 'GET /penetrations/:id', 'GET /photos/:id/:size', 'GET /leaks/:leak'),
  ...all('measure', ...post('/angles', '/penetrations', '/penetrations/events', '/photos', '/readings')),
  ...all('measure', ...post('/readings/:reading/withdraw'), 'DELETE /boats/:id/angles/:reading'),
  ...all('measure', 'POST /penetrations/:id/events', 'POST /penetrations/:id/withdraw'),
  ...all('measure', 'POST /photos/:id/withdraw'),
  ...all(
    'work',
    ...post('/floods', '/holds', '/leaks', '/notes', '/papers', '/proofs', '/valves/read'),
    'PUT /holds/:hold',
    'PUT /leaks/:leak',
  ),
  ...all(
    'work',
    'POST /leaks/:leak/end',
    'POST /leaks/:leak/tests',
    'POST /leaks/:leak/tests/:test/withdraw',
  ),
  ...all('boat-book', 'POST /boats', 'POST /boats/import', 'PUT /boats/:id', 'PUT /boats/:id/flooding'),
  ...all(
    'boat-book',
    'PUT /boats/:id/stations',
    ...post('/line.dxf', '/outline.dxf', '/structure', '/zones'),
  ),
  ...all('boat-book', 'DELETE /boats/:id/structure/:part', 'PUT /boats/:id/structure/:part'),
  ...all('boat-book', 'DELETE /boats/:id/zones/:zone', 'PUT /boats/:id/zones/:zone'),
  ...all('boat-book', ...post('/penetrations/import')),
  ...all('remove-boat', 'DELETE /boats/:id', 'PUT /boats/:id/archive'),
  ...all('work', 'PUT /proofs/:proof'),
  ...all('read', 'PUT /notes/:note'),
  ...all('give-roles', ...get('/people'), 'PUT /boats/:id/people/:login'),
  ...all('plan', 'POST /plan/jobs', 'DELETE /plan/jobs/:job', 'POST /plan/moves', 'POST /plan/undo'),
  ...all('plan', 'POST /plan/offers/:offer/take', 'DELETE /plan/offers/:offer'),
  ...all('plan', 'POST /weather/csv', 'POST /weather/simulated'),
  ...all('hours', 'POST /fitters', 'PUT /fitters/:fitter', 'DELETE /fitters/:fitter'),
  ...all('people', 'GET /people', 'POST /people', 'PUT /people/:person', 'POST /people/:person/link'),
  ...all('stores', 'GET /lots', 'POST /lots', 'POST /lots/import', 'GET /lots.csv', 'GET /lots/labels.pdf'),
  ...all('stores', 'PUT /lots/:id', 'GET /sheets', 'POST /sheets', 'PUT /sheets/:sheet', 'GET /recall'),
  ...all('stores', 'GET /shelf', 'POST /shelf', 'PUT /shelf/:item', 'POST /shelf/import', 'GET /shelf.csv'),
  ...all(
    'stores',
    'GET /shelf/labels.pdf',
    'GET /offers',
    'GET /orders',
    'POST /orders',
    'PUT /orders/:order',
  ),
  ...all('stores', 'GET /orders/:order.csv', 'GET /orders/:order.pdf', 'POST /orders/check'),
  ...all('stores', 'POST /orders/put-back', 'GET /yard/prices', 'POST /weather/windows'),
  ...all('stores', 'POST /weather/readings', ...post('/cutting'), ...get('/fits', '/costs')),
  ...all('vouch-lot', 'POST /lots/:id/test', 'POST /recall'),
  ...all('yard-parts', 'PUT /goods', 'DELETE /goods/:id', 'POST /goods/import', 'PUT /hardware'),
  ...all(
    'yard-parts',
    'DELETE /hardware/:id',
    'POST /hardware/import',
    'PUT /offers',
    'DELETE /offers/:offer',
  ),
  ...all('yard-values', 'PUT /habits', 'PUT /yard-values', 'DELETE /yard-values'),
  ...all('prices', 'PUT /yard/prices'),
]
export const ROUTE_ACTS: ReadonlyMap<string, Asks> = new Map(LIST)
