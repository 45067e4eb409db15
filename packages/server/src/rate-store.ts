import type { Store, Options, ClientRateLimitInfo } from 'express-rate-limit'
import { QueryTypes, type Sequelize } from 'sequelize'

/** Counts in the database, so that several servers behind a proxy count together. */
export class DatabaseRateStore implements Store {
  private windowMs = 60_000
  /** `of` keeps the counts of different doors apart */
  constructor(
    private readonly db: Sequelize,
    private readonly of = '',
  ) {}
  init(options: Options) {
    this.windowMs = options.windowMs
  }
  async increment(key: string): Promise<ClientRateLimitInfo> {
    const [row] = await this.db.query<{ hits: number; reset_at: Date }>(
      `INSERT INTO rate_hits (key, hits, reset_at) VALUES (:key, 1, now() + :ms * interval '1 millisecond')
       ON CONFLICT (key) DO UPDATE SET hits = CASE WHEN rate_hits.reset_at < now() THEN 1 ELSE rate_hits.hits + 1 END,
         reset_at = CASE WHEN rate_hits.reset_at < now() THEN EXCLUDED.reset_at ELSE rate_hits.reset_at END
       RETURNING hits, reset_at`,
      { replacements: { key: this.of + key, ms: this.windowMs }, type: QueryTypes.SELECT },
    )
    return { totalHits: row!.hits, resetTime: row!.reset_at }
  }
  async decrement(key: string) {
    await this.db.query('UPDATE rate_hits SET hits = greatest(0, hits - 1) WHERE key = :key', {
      replacements: { key: this.of + key },
    })
  }
  async resetKey(key: string) {
    await this.db.query('DELETE FROM rate_hits WHERE key = :key', { replacements: { key: this.of + key } })
  }
}
