/** What a user can do something about: a status, a code, where, and words. */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
    readonly path = '',
    readonly extra: Record<string, unknown> = {},
  ) {
    super(message)
  }
}
export const notFound = (what: string) => new ApiError(404, 'not-found', `There is no such ${what}`)
export const forbidden = (message: string) => new ApiError(403, 'not-allowed', message)
