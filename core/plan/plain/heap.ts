// A binary heap of numbered things by weight, the heaviest on top; a weight may grow while its thing is in it.

export class Heap {
  private readonly heap: Int32Array;
  /** Place of a thing in the heap; -1: not in it. */
  private readonly at: Int32Array;
  private size = 0;
  private readonly weight: Float64Array;

  /** `weight` is read whenever things are compared; tell of a change by `grown`. */
  constructor(weight: Float64Array) {
    this.weight = weight;
    this.heap = new Int32Array(weight.length);
    this.at = new Int32Array(weight.length).fill(-1);
  }

  has(v: number): boolean {
    return this.at[v] >= 0;
  }

  push(v: number): void {
    this.at[v] = this.size;
    this.heap[this.size++] = v;
    this.up(this.size - 1);
  }

  /** The heaviest, taken out; -1 when there is none. */
  pop(): number {
    if (!this.size) return -1;
    const top = this.heap[0];
    this.at[top] = -1;
    const end = this.heap[--this.size];
    if (this.size) {
      this.heap[0] = end;
      this.at[end] = 0;
      this.down(0);
    }
    return top;
  }

  grown(v: number): void {
    if (this.at[v] >= 0) this.up(this.at[v]);
  }

  private up(i: number): void {
    const v = this.heap[i];
    while (i > 0) {
      const parent = (i - 1) >> 1;
      if (this.weight[this.heap[parent]] >= this.weight[v]) break;
      this.heap[i] = this.heap[parent];
      this.at[this.heap[i]] = i;
      i = parent;
    }
    this.heap[i] = v;
    this.at[v] = i;
  }

  private down(i: number): void {
    const v = this.heap[i];
    for (;;) {
      let child = 2 * i + 1;
      if (child >= this.size) break;
      if (child + 1 < this.size && this.weight[this.heap[child + 1]] > this.weight[this.heap[child]]) child++;
      if (this.weight[this.heap[child]] <= this.weight[v]) break;
      this.heap[i] = this.heap[child];
      this.at[this.heap[i]] = i;
      i = child;
    }
    this.heap[i] = v;
    this.at[v] = i;
  }
}
