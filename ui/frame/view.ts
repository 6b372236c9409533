// What the frame around every page shows.

export interface FrameView {
  workshop: string;
  zone: string;
  now: number;
  /** The clock is stopped (tests and pictures). */
  fixed: boolean;
  user: { name: string; role: "lead" | "fitter" };
  /** A change that this page knows of: while there is a newer one, it asks for fresh data. */
  event: string;
  waitingPhotos: number;
}
