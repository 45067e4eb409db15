import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { Router } from 'express'
import { backupNow, backups } from '../services/nightly'
import { about, operations } from '../services/operations'
import { askPassport } from '../services/passport-files'
import { postBox, readMail, setAddress } from '../services/post'
import { listTasks, oneTask, retryTask, stopTask, taskFile } from '../services/tasks'
import { askYardBox } from '../services/yard-box'
import { dropView, keepView, listViews } from '../services/views'
import { attachment } from './files'

/** Work of the queue as it is seen from outside; the post box; backups; views that somebody keeps. */
export function taskRoutes(): Router {
  const r = Router()
  r.get('/tasks', async (q, res) => void res.json({ tasks: await listTasks(q.account!) }))
  r.get('/tasks/:task', async (q, res) => void res.json(await oneTask(q.account!, q.params.task)))
  r.delete('/tasks/:task', async (q, res) => void res.json(await stopTask(q.account!, q.params.task)))
  r.post('/tasks/:task/again', async (q, res) => void res.json(await retryTask(q.account!, q.params.task)))
  r.get('/tasks/:task/file', async (q, res) => {
    const f = await taskFile(q.account!, q.params.task)
    await pipeline(Readable.from(f.parts), attachment(res, f.name, f.mime))
  })
  r.post(
    '/boats/:id/passport/tasks',
    async (q, res) => void res.status(202).json(await askPassport(q.account!, q.params.id)),
  )
  r.get('/post', async (q, res) => void res.json(await postBox(q.account!)))
  r.put('/post/address', async (q, res) => void res.json(await setAddress(q.account!, q.body)))
  r.post(
    '/post/:letter/read',
    async (q, res) => void res.json(await readMail(q.account!, Number(q.params.letter))),
  )
  r.get('/operations', async (q, res) => void res.json(await operations(q.account!)))
  r.get('/about', async (_q, res) => void res.json(await about()))
  r.get('/backups', async (q, res) => void res.json(await backups(q.account!)))
  r.post('/backups', async (q, res) => void res.status(202).json(await backupNow(q.account!)))
  r.post('/yard/tasks', async (q, res) => void res.status(202).json(await askYardBox(q.account!)))
  r.get('/views', async (q, res) => void res.json({ views: await listViews(q.account!, q.query) }))
  r.post('/views', async (q, res) => void res.status(201).json({ views: await keepView(q.account!, q.body) }))
  r.delete(
    '/views/:view',
    async (q, res) => void res.json({ views: await dropView(q.account!, Number(q.params.view)) }),
  )
  return r
}
