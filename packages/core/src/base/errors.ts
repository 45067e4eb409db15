/**
 * An input a calculator refuses. `code` is named by its chapter, `path` is dotted with list elements by
 * number from 0.
 */
export class CalcError extends Error {
  constructor(
    readonly code: string,
    readonly path: string,
    message: string,
  ) {
    super(message)
    this.name = 'CalcError'
  }
  toJSON() {
    return { error: { code: this.code, path: this.path, message: this.message } }
  }
}

export const invalid = (path: string, message: string) => new CalcError('invalid-input', path, message)
