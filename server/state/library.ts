// The library for pages: what is in use, its versions, and a build's own.

import type { Entry } from "@/core/library/library";
import { type HouseOrder, houseOrders } from "@/db/house/house-orders";
import { currentLibrary, jobsOfVersion, type LibraryInUse, type LibraryVersion, libraryVersions, storedLibrary } from "@/db/house/library";
import { pool } from "@/db/pool";
import { writing } from "../writing";
import { keptRead } from "./kept-read";

export type { LibraryVersion };

/** The library in use at a minute. */
export const libraryInUse = async (now: number): Promise<LibraryInUse> =>
  (await storedLibrary(pool())) ?? writing((c) => currentLibrary(c, now));

export const libraryOf = (version: number | null): Promise<Entry[]> => keptRead(`library ${version}`, (c) => jobsOfVersion(c, version));

export const allVersions = (): Promise<LibraryVersion[]> => libraryVersions(pool());

/** Orders of the house by name. */
export const keptOrders = (): Promise<HouseOrder[]> => houseOrders(pool());
