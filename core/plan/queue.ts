// Jobs that could be laid next, by how urgent they are; of equals the one that came in first.

export class Queue {
  private readonly jobs: number[] = [];
  private readonly keys: number[] = [];
  private readonly order: number[] = [];
  private count = 0;

  get size(): number {
    return this.jobs.length;
  }

  push(job: number, key: number): void {
    const seq = this.count++;
    let i = this.jobs.length;
    this.jobs.push(job);
    this.keys.push(key);
    this.order.push(seq);
    while (i > 0) {
      const parent = (i - 1) >> 1;
      if (!this.before(key, seq, parent)) break;
      this.move(parent, i);
      i = parent;
    }
    this.set(i, job, key, seq);
  }

  /** The first one, taken out; undefined when there is none. */
  pop(): number | undefined {
    const top = this.jobs[0];
    const job = this.jobs.pop();
    const key = this.keys.pop()!;
    const seq = this.order.pop()!;
    const n = this.jobs.length;
    if (job === undefined || n === 0) return top;
    let i = 0;
    for (;;) {
      let child = 2 * i + 1;
      if (child >= n) break;
      if (child + 1 < n && this.before(this.keys[child + 1], this.order[child + 1], child)) child++;
      if (this.before(key, seq, child)) break;
      this.move(child, i);
      i = child;
    }
    this.set(i, job, key, seq);
    return top;
  }

  private before(key: number, seq: number, i: number): boolean {
    return key < this.keys[i] || (key === this.keys[i] && seq < this.order[i]);
  }

  private move(from: number, to: number): void {
    this.set(to, this.jobs[from], this.keys[from], this.order[from]);
  }

  private set(i: number, job: number, key: number, seq: number): void {
    this.jobs[i] = job;
    this.keys[i] = key;
    this.order[i] = seq;
  }
}

/** Jobs of which only those compete that could begin soon: by how urgent they are; of equals the one that came in first. */
export class Sighted {
  private readonly jobs: number[] = [];
  private readonly keys: number[] = [];
  /** When each could begin. */
  private readonly lowers: number[] = [];

  get size(): number {
    return this.jobs.length;
  }

  push(job: number, key: number, lower: number): void {
    let at = this.jobs.length;
    for (; at > 0 && this.keys[at - 1] > key; at--) {
      this.jobs[at] = this.jobs[at - 1];
      this.keys[at] = this.keys[at - 1];
      this.lowers[at] = this.lowers[at - 1];
    }
    this.jobs[at] = job;
    this.keys[at] = key;
    this.lowers[at] = lower;
  }

  /** The first of those that could begin within `window` of the soonest of all, taken out; undefined when there is none. */
  pop(window: number): number | undefined {
    const n = this.jobs.length;
    if (!n) return undefined;
    let limit = Number.POSITIVE_INFINITY;
    for (let k = 0; k < n; k++) if (this.lowers[k] < limit) limit = this.lowers[k];
    limit += window;
    let at = 0;
    while (this.lowers[at] > limit) at++;
    const job = this.jobs[at];
    for (let k = at + 1; k < n; k++) {
      this.jobs[k - 1] = this.jobs[k];
      this.keys[k - 1] = this.keys[k];
      this.lowers[k - 1] = this.lowers[k];
    }
    this.jobs.pop();
    this.keys.pop();
    this.lowers.pop();
    return job;
  }
}
