// Part lines of a job, and what their boxes and holes are. Times are minutes since 1970 (UTC) unless said otherwise.

export type PartState = "needed" | "ordered" | "promised" | "arrived" | "checked" | "wrong";

export interface PartRow {
  id: string;
  jobId: string;
  name: string;
  quantity: number;
  unit: string;
  supplierId: string;
  state: PartState;
  promisedAt: number | null;
  firstPromisedAt: number | null;
  arrivedAt: number | null;
  checkedAt: number | null;
  /** The locked sheet that rules its quantity, and what the library asked for; null: only the sheet asks for it. */
  ruled?: { sheet: string; own: number | null };
  /** Of one unit; 0 when unknown. */
  price: number;
  shelf: string;
  note: string;
  /** The hole it asks for, as measured at goods-in, mm. */
  cutOut: CutOut | null;
  /** What belongs into its box; a cut waits until each line was looked at. */
  contents: string[];
  /** Days to see samples of it and to choose, before it can be ordered; 0: nothing to choose. */
  sampleDays: number;
  version: number;
}

export interface CutOut {
  w: number;
  h: number;
  r: number;
}
