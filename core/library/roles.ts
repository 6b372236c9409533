// What a job of the library is to rules of the workshop that hang on it: a rule asks for a role, never for a code or a name.

/** By role: what the job does, the rule that needs one, and whether several jobs may have it. */
export const ROLES = {
  "weigh-in": { what: "weighs the van as it came", rule: "the strip closes with the van weighed" },
  "strip-out": { what: "takes out linings and floor", rule: "fixings are counted and traps looked for while the linings are off" },
  lettering: { what: "takes the lettering off", rule: "the owner's consent comes before the lettering goes" },
  clean: { what: "cleans the bare body", rule: "each zone is written down as clean" },
  "strip-close": { what: "ends the strip", rule: "the strip ends with nothing undecided" },
  seats: { what: "loosens the seats' mounts", rule: "seats and belts are signed before the van drives" },
  "mark-out": { what: "sets out every opening", rule: "openings are marked out before any is cut" },
  opening: { what: "cuts an opening and sets its unit", rule: "the hours of past openings are worked out", many: true },
  "roof-fan": { what: "cuts the opening of the roof fan", rule: "the roof plan has the fan's place" },
  skylight: { what: "cuts the opening of the skylight", rule: "the roof plan has the skylight's place" },
  "side-window": { what: "cuts a window into a side", rule: "windows stand in line with the one across" },
  "rear-window": { what: "cuts the windows of the rear doors", rule: "rear windows start from the doors' fields" },
  "small-holes": { what: "cuts inlets, vents and glands", rule: "sealant is counted for small holes too" },
  rack: { what: "fits the roof rack or rails", rule: "the owner's consent comes before the rack" },
  swarf: { what: "clears the swarf everywhere", rule: "a hole made late costs clearing swarf once more" },
  "soak-test": { what: "puts every opening under water", rule: "no insulation before every hole was seen dry" },
  "floor-boards": { what: "cuts and fits the floor's boards", rule: "a sunken edge is built up before the boards are cut" },
  "by-template": { what: "is cut by what came out of the van", rule: "a lining that came out is kept as the template", many: true },
} as const satisfies Readonly<Record<string, { what: string; rule: string; many?: true }>>;

export type Role = keyof typeof ROLES;
export const ROLE_NAMES = Object.keys(ROLES) as Role[];

interface WithRoles {
  roles: readonly Role[];
}

/** Whether a job has a role. */
export const hasRole = (job: WithRoles | undefined, role: Role): boolean => job?.roles.includes(role) ?? false;

/** The first job with a role; undefined where the choices leave it out. */
export const jobWith = <T extends WithRoles>(jobs: readonly T[], role: Role): T | undefined => jobs.find((j) => j.roles.includes(role));

type Listed = Readonly<{ code: string; name: string; roles?: readonly string[] | undefined }>;

/** Roles that no job of a library has. */
export const lackingRoles = (jobs: readonly Listed[]): Role[] => ROLE_NAMES.filter((r) => !jobs.some((j) => j.roles?.includes(r)));

/** Whether several jobs may have a role. */
export const mayShare = (role: Role): boolean => "many" in ROLES[role];

/**
 * Roles that some rule needs and no job has, or that more than one has where the rule asks for the one; each with the rule's words.
 * `excused`: roles that were lacking before, so that a library which lacks some can be mended one after the other.
 */
export function roleFaults(jobs: readonly Listed[], excused: readonly Role[] = []): { path: string; message: string }[] {
  const lost = lackingRoles(jobs).filter((r) => !excused.includes(r));
  const twice = ROLE_NAMES.filter((r) => !mayShare(r) && jobs.filter((j) => j.roles?.includes(r)).length > 1);
  return [
    ...lost.map((r) => ({
      path: "roles",
      message: `no job ${ROLES[r].what} any more (role ${r}), and the rule "${ROLES[r].rule}" needs one. Give that role to a job first`,
    })),
    ...twice.map((r) => ({
      path: "roles",
      message: `${jobs
        .filter((j) => j.roles?.includes(r))
        .map((j) => `${j.code} ${j.name}`)
        .join(" and ")} both have the role ${r}; only one job may`,
    })),
  ];
}
