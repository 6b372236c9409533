// Pages are drawn a few at a time: a crowd that loads pages does not hold up those who save something.

export class Queue {
  private readonly waiting: (() => void)[] = [];
  private running = 0;
  constructor(
    private readonly atOnce: number,
    private readonly most: number,
  ) {}

  get length(): number {
    return this.waiting.length;
  }

  /** Undefined: the queue is full. The promise resolves with what has to be called when it is over. */
  enter(): Promise<() => void> | undefined {
    let left = false;
    const leave = () => {
      if (left) return;
      left = true;
      const next = this.waiting.shift();
      if (next) next();
      else this.running--;
    };
    if (this.running < this.atOnce) {
      this.running++;
      return Promise.resolve(leave);
    }
    if (this.waiting.length >= this.most) return undefined;
    return new Promise((go) => this.waiting.push(() => go(leave)));
  }
}
