// Set-out sheets for pages.

import { pool } from "@/db/pool";
import { type SheetVersion, sheetVersions } from "@/db/sheets/setout";

export const versionsOf = (sheetId: string): Promise<SheetVersion[]> => sheetVersions(pool(), sheetId);
