// What Stores shows a fitter: the kit of each job of their vans, and where it lies.

export interface KitsView {
  zone: string;
  now: number;
  jobs: {
    id: string;
    name: string;
    build: string;
    buildId: string;
    stage: string;
    start: number | null;
    underWay: boolean;
    mine: boolean;
    lines: { what: string; where: string; short: string | null }[];
  }[];
}
