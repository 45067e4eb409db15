import { Router } from 'express'
import { CalcError } from '@north-tide/core'
import { describeCalculators, runNamed } from '@north-tide/core/registry'

/** Every calculator over HTTP, without a boat and without an account. */
export function calcRoutes(): Router {
  const r = Router()
  let described: unknown = null
  r.get('/calc', (_req, res) => {
    described ??= { calculators: describeCalculators() }
    res.json(described)
  })
  r.post('/calc/:name', (req, res) => {
    try {
      res.json(runNamed(req.params.name, req.body))
    } catch (error) {
      if (error instanceof CalcError && error.code === 'unknown-calculator') return void res.status(404).json(error.toJSON())
      throw error
    }
  })
  return r
}
