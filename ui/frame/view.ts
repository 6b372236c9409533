// What the frame around every page shows.

export interface FrameView {
  workshop: string;
  zone: string;
  now: number;
  /** The clock is stopped (tests and pictures). */
  fixed: boolean;
  user: { name: string; role: "lead" | "fitter" };
  /** Id of the newest event that this page knows. */
  event: string;
  waitingPhotos: number;
}
