import pLimit from 'p-limit'
import sharp from 'sharp'
import { Op } from 'sequelize'
import { Photo, Task } from '../models'
import { askTask, taskKind } from './tasks'

/**
 * A picture's two smaller ones: made by the queue after it came in, or by whoever looks at it before. They
 * come from what is kept, which is turned and says nothing of where it was taken.
 */
export const MOST_PIXELS = 80_000_000
/** Pictures of 80 million points want 300 MB each while they are opened: one after another. */
export const oneByOne = pLimit(1)
export type Smaller = 'small' | 'large'
const SIDES: Record<Smaller, number> = { large: 1600, small: 320 }

const smaller = (original: Buffer, side: number) =>
  sharp(original, { limitInputPixels: MOST_PIXELS })
    .resize(side, side, { fit: 'inside', withoutEnlargement: true })
    .flatten({ background: '#ffffff' })
    .jpeg({ quality: 80 })
    .toBuffer()
/** Makes both of one picture and keeps them; those that are there already stay. */
async function make(id: string): Promise<Record<Smaller, Buffer> | null> {
  const p = await Photo.findByPk(id, { attributes: ['id', 'original', 'large', 'small'] })
  if (!p) return null
  if (p.large && p.small) return { large: p.large, small: p.small }
  const [large, small] = await Promise.all([
    smaller(p.original, SIDES.large),
    smaller(p.original, SIDES.small),
  ])
  await Photo.update({ large, small }, { where: { id, small: null } })
  return { large, small }
}
export const makeSmaller = (id: string) => oneByOne(() => make(id))

const KIND = 'thumbnails'
/** Asks for them, unless somebody has and it is not begun: then it will see this picture too. */
export async function askThumbnails(who: { name: string; login: string }): Promise<void> {
  if ((await Task.count({ where: { kind: KIND, state: 'waiting' } })) > 0) return
  await askTask(who, KIND, {})
}
/** Those that were left when a process ended, or whose asking gave up. */
export async function resumeThumbnails(): Promise<void> {
  if ((await Photo.count({ where: { small: null } })) > 0)
    await askThumbnails({ name: 'the clock', login: '' })
}
const AT_ONCE = 20
taskKind(KIND, async (_task, say) => {
  let last = '0'
  let done = 0
  for (;;) {
    const next = await Photo.findAll({
      where: { small: null, id: { [Op.gt]: last } },
      attributes: ['id'],
      order: [['id', 'ASC']],
      limit: AT_ONCE,
    })
    if (!next.length) return null
    for (const p of next) {
      await makeSmaller(p.id)
      last = p.id
      await say(++done, done, 'pictures made small')
    }
  }
})
