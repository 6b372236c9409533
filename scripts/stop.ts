// A fault with words for the person at the terminal; no stack trace is shown for it.

export class Stop extends Error {
  readonly code: number;
  constructor(message: string, code = 1) {
    super(message);
    this.code = code;
  }
}
