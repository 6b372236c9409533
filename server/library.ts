// The library for pages: what is in use, its versions, and a build's own.

import type { Entry } from "@/core/library/library";
import { type HouseOrder, houseOrders } from "@/db/house-orders";
import { currentLibrary, jobsOfVersion, type LibraryVersion, libraryVersions } from "@/db/library";
import { pool, transaction } from "@/db/pool";

export type { LibraryVersion };

/** The library in use at a minute. */
export const libraryInUse = (now: number): Promise<{ number: number; jobs: Entry[]; shipped: boolean }> =>
  transaction((c) => currentLibrary(c, now));

export const libraryOf = (version: number | null): Promise<Entry[]> => jobsOfVersion(pool(), version);

export const allVersions = (): Promise<LibraryVersion[]> => libraryVersions(pool());

/** Orders of the house by name. */
export const keptOrders = (): Promise<HouseOrder[]> => houseOrders(pool());
