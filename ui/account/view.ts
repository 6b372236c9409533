// What the page of one's own account shows.

export interface AccountView {
  name: string;
  login: string;
  lead: boolean;
  /** Whether the second factor is on. */
  second: boolean;
  /** Devices that are signed in; times in UTC as the database keeps them. */
  sessions: { id: string; device: string; address: string; since: string; seen: string | null; mine: boolean }[];
}
