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
