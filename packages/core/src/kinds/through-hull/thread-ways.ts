/** What goes on the threads of the train. */
export const THREAD_WAYS = ['ptfe', 'paste', 'hemp', 'none'] as const
export type ThreadWay = (typeof THREAD_WAYS)[number]
export const THREAD_WAY_TITLES: Record<ThreadWay, string> = {
  ptfe: 'thread tape',
  paste: 'thread paste',
  hemp: 'hemp and paste',
  none: 'nothing',
}
